<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs;

use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Formula\Formula;
use Compadre\Core\Rigs\Formula\Functions;
use Compadre\Core\Rigs\Formula\Language;
use Compadre\Core\Rigs\Formula\Unit;
use Compadre\Core\Rigs\Pack\FigurePlan;
use Compadre\Core\Rigs\Pack\MemberPlan;
use Compadre\Core\Rigs\Pack\Place;
use Compadre\Core\Rigs\Pack\PlaceKnot;
use Compadre\Core\Rigs\Pack\Question;
use Compadre\Core\Rigs\Pack\QuestionKind;
use Compadre\Core\Rigs\Pack\Rule;
use Compadre\Core\Rigs\Sketch\HandlePlan;
use Compadre\Core\Rigs\Sketch\MarkPlan;
use Compadre\Core\Rigs\Sketch\SketchPlan;

/**
 * Reads rigs' packs: each formula may use the rope's diameter d, the answers, what its places take, and the lets before it.
 */
final readonly class RigReader
{
    private const FIGURES = ['mm', 'n', 'deg', 'count', 'ratio', 'share'];

    private Language $language;

    public function __construct(private Library $library)
    {
        $this->language = new Language(new Functions($library));
    }

    /** @throws Refusal naming the field: an unknown knot, a formula that is none, units that do not fit, a name that is not known yet */
    public function read(Fields $pack): RigPack
    {
        $questions = array_map(Question::from(...), $pack->objects('questions'));
        $names = ['d' => Unit::of('mm'), 'wet' => Unit::of('yes')];
        $defaults = [];
        foreach ($questions as $question) {
            $names += $question->names();
        }
        foreach ($questions as $question) {
            if (is_string($question->default) && isset($question->names()[$question->id]) && $question->kind !== QuestionKind::Choice) {
                $defaults[$question->id] = $this->language->read($question->default, $names, $question->place.'/default', $names[$question->id]);
            }
        }
        $places = [];
        foreach ($pack->objects('places') as $place) {
            $read = $this->place($place, $names);
            $places[$read->id] = $read;
            $names += [$read->id.'_knot' => Unit::of('mm'), $read->id.'_tail' => Unit::of('mm'), $read->id.'_tied' => Unit::of('text')];
        }
        $lets = [];
        foreach ($pack->objects('lets') as $let) {
            $name = $let->text('name');
            if (isset($names[$name])) {
                throw Refusal::of($let->place('name'), $name, 'rigs.name_free');
            }
            $lets[$name] = $this->formula($let, 'is', $names);
            $names[$name] = $lets[$name]->unit;
        }
        $ages = $pack->object('ages');
        $checks = $pack->object('checks');

        return new RigPack(
            $pack->text('id'), $pack->whole('version'), $pack->text('name'), $pack->text('kind'), $pack->text('stands'), $pack->text('purpose'),
            $pack->object('learners')->text('purpose'), $pack->whole('minutes'), $ages->whole('from'), $ages->whole('to'), $questions, $defaults, $places, $lets,
            array_map(fn (Fields $member): MemberPlan => $this->member($member, $names, $questions, $places), $pack->objects('members')),
            array_map(fn (Fields $figure): FigurePlan => $this->figure($figure, $names), $pack->objects('figures')),
            array_map(fn (Fields $rule): Rule => $this->rule($rule, $names, $questions), $pack->objects('refuse')),
            array_map(fn (Fields $rule): Rule => $this->rule($rule, $names, []), $pack->objects('advice')),
            $pack->texts('cautions'), ['before' => $checks->texts('before'), 'while' => $checks->texts('while'), 'after' => $checks->texts('after')],
            $pack->texts('gates'), $pack->texts('raise'), $pack->texts('strike'), $pack->text('leaves'), $pack->texts('leaders'),
            $this->prerequisites($pack), $this->sketch($pack->object('sketch'), $names, $questions, $places), $names,
        );
    }

    /** @param  array<string, Unit>  $names */
    private function place(Fields $place, array $names): Place
    {
        $knots = [];
        foreach ($place->objects('knots') as $knot) {
            $pack = $this->library->knot($knot->text('knot'), $knot->place('knot'));
            $method = $knot->textOrNull('method');
            if ($method !== null && ! in_array($method, $pack->methodIds(), true)) {
                throw Refusal::of($knot->place('method'), $method, 'any.one_of', ['list' => $pack->methodIds()]);
            }
            $knots[] = new PlaceKnot($pack->id, $method, $knot->text('why'), $this->maybe($knot, 'when', $names, Unit::of('yes')), $knot->number('turns', 0.0), $this->maybe($knot, 'wraps', $names, Unit::of('count')), $knot->text('counts', 'wraps'));
        }
        if ($knots === []) {
            throw Refusal::of($place->place('knots'), [], 'knots.some_knot');
        }

        return new Place($place->text('id'), $place->text('where'), $this->maybe($place, 'object', $names, Unit::of('mm')), $knots);
    }

    /**
     * @param  array<string, Unit>  $names
     * @param  list<Question>  $questions
     * @param  array<string, Place>  $places
     */
    private function member(Fields $member, array $names, array $questions, array $places): MemberPlan
    {
        $each = $member->textOrNull('each');
        if ($each !== null) {
            $names += $this->asked($questions, $each, $member->place('each'))->eachNames();
        }
        foreach ($member->texts('at') as $index => $place) {
            if (! isset($places[$place])) {
                throw Refusal::of($member->place('at').'/'.$index, $place, 'rigs.places', ['list' => array_keys($places)]);
            }
        }

        return new MemberPlan(
            $member->text('id'), $member->text('kind'), $member->text('name'), $this->maybe($member, 'when', $names, Unit::of('yes')),
            $this->language->read($member->text('count', '1'), $names, $member->place('count')), $this->maybe($member, 'length', $names, Unit::of('mm')),
            $this->maybe($member, 'diameter', $names, Unit::of('mm')), $member->texts('at'), $each,
        );
    }

    /** @param  array<string, Unit>  $names */
    private function figure(Fields $figure, array $names): FigurePlan
    {
        $unit = $figure->text('unit');
        if (! in_array($unit, self::FIGURES, true)) {
            throw Refusal::of($figure->place('unit'), $unit, 'any.one_of', ['list' => self::FIGURES]);
        }

        return new FigurePlan($figure->text('id'), $figure->text('name'), $unit, $this->formula($figure, 'is', $names, Unit::of($unit)), $this->maybe($figure, 'when', $names, Unit::of('yes')));
    }

    /**
     * @param  array<string, Unit>  $names
     * @param  list<Question>  $questions  those that it can refuse the answer to
     */
    private function rule(Fields $rule, array $names, array $questions): Rule
    {
        preg_match_all('/\{(\w+)\}/', $rule->text('say'), $found);
        foreach ($found[1] as $name) {
            if (! isset($names[$name])) {
                throw Refusal::of($rule->place('say'), $rule->text('say'), 'rigs.known_names', ['name' => '{'.$name.'}']);
            }
        }
        if ($questions !== []) {
            $this->asked($questions, $rule->text('answer'), $rule->place('answer'));
        }

        return new Rule($this->maybe($rule, 'when', $names, Unit::of('yes')), $rule->text('say'), $rule->text('answer', ''), $rule->text('allowed', ''));
    }

    /** @return list<string> */
    private function prerequisites(Fields $pack): array
    {
        foreach ($pack->texts('prerequisites') as $index => $knot) {
            $this->library->knot($knot, $pack->place('prerequisites').'/'.$index);
        }

        return $pack->texts('prerequisites');
    }

    /**
     * @param  array<string, Unit>  $names
     * @param  list<Question>  $questions
     * @param  array<string, Place>  $places
     */
    private function sketch(Fields $sketch, array $names, array $questions, array $places): SketchPlan
    {
        $marks = [];
        foreach ($sketch->objects('marks') as $mark) {
            $known = $names;
            $each = $mark->textOrNull('each');
            if ($each !== null) {
                $known += $this->asked($questions, $each, $mark->place('each'))->eachNames();
            }
            $repeat = $this->maybe($mark, 'repeat', $known, Unit::of('count'));
            $known += $repeat === null && $each === null ? [] : ['i' => Unit::of('count')];
            $place = $mark->textOrNull('place');
            if ($place !== null && ! isset($places[$place])) {
                throw Refusal::of($mark->place('place'), $place, 'rigs.places', ['list' => array_keys($places)]);
            }
            $marks[] = new MarkPlan(
                $mark->text('as'), $mark->text('shape', 'line'), $this->numbers($mark, 'at', $known), $this->maybe($mark, 'value', $known, Unit::of('mm')),
                $mark->textOrNull('label'), $place, $this->maybe($mark, 'when', $known, Unit::of('yes')), $repeat, $each,
            );
        }
        $handles = [];
        foreach ($sketch->objects('handles') as $handle) {
            $this->asked($questions, $handle->text('answer'), $handle->place('answer'));
            $handles[] = new HandlePlan($handle->text('answer'), $this->numbers($handle, 'at', $names), $handle->text('axis'), $handle->number('by', 1.0));
        }

        return new SketchPlan($sketch->text('view'), $marks, $handles);
    }

    /**
     * @param  array<string, Unit>  $names
     * @return list<Formula> places in mm
     */
    private function numbers(Fields $mark, string $field, array $names): array
    {
        return array_map(fn (int $index, string $text): Formula => $this->language->read($text, $names, $mark->place($field).'/'.$index, $text === '0' ? null : Unit::of('mm')), array_keys($mark->texts($field)), $mark->texts($field));
    }

    /** @param  list<Question>  $questions */
    private function asked(array $questions, string $id, string $at): Question
    {
        foreach ($questions as $question) {
            if ($question->id === $id) {
                return $question;
            }
        }

        throw Refusal::of($at, $id, 'rigs.questions', ['list' => array_map(static fn (Question $one): string => $one->id, $questions)]);
    }

    /** @param  array<string, Unit>  $names */
    private function formula(Fields $fields, string $field, array $names, ?Unit $wanted = null): Formula
    {
        return $this->language->read($fields->text($field), $names, $fields->place($field), $wanted);
    }

    /** @param  array<string, Unit>  $names */
    private function maybe(Fields $fields, string $field, array $names, Unit $wanted): ?Formula
    {
        return $fields->has($field) ? $this->formula($fields, $field, $names, $wanted) : null;
    }
}
