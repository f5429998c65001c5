<?php

declare(strict_types=1);

namespace Compadre\Core\Practice;

use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\View;
use Compadre\Core\Knots\Visit;
use Compadre\Core\Mistakes\Found;
use Compadre\Core\Mistakes\Judge;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Mistakes\MistakeFinder;
use Compadre\Core\Mistakes\Outcome;
use Compadre\Core\Mistakes\OutcomeKind;
use Compadre\Core\Mistakes\TyingOrder;
use Compadre\Core\Mistakes\WrongForm;
use Compadre\Core\Topology\GaussCode;
use Compadre\Core\Words\Saying;
use Compadre\Core\Words\Within;

/**
 * One way of tying a knot, as tasks are made from it: its drawing, the order in which its crossings are made, and what it becomes
 * where some of them go the other way.
 */
final class Sample
{
    public readonly Diagram $diagram;

    public readonly TyingOrder $order;

    private readonly GaussCode $code;

    private ?Judge $judge = null;

    /** @var ?list<Found> */
    private ?array $wrong = null;

    /** @var array<string, Outcome> by crossings that go the other way */
    private array $outcomes = [];

    /**
     * @param  KnotIndex  $index  one for learners: what is for leaders only has no name here
     * @param  View  $view  what is said of it is read beside drawings seen like this; its own drawing is as the pack has it
     */
    public function __construct(private readonly Library $library, private readonly KnotIndex $index, public readonly KnotPack $knot, public readonly Method $method, private readonly View $view = View::Learner)
    {
        $this->diagram = DiagramBuilder::loose($method, $knot->file);
        $this->order = TyingOrder::of($method, $this->diagram, $knot->file);
        $this->code = KnotIndex::code($knot, $method);
    }

    /** A pack's words, with the sides as they are in the drawings. */
    public function told(string $words): string
    {
        return $this->library->sides->told($this->view, $words);
    }

    /** @param  int  $step  from 1 */
    public function say(int $step): string
    {
        return $this->told($this->method->steps[$step - 1]->say);
    }

    /** The knot's name in the middle of a sentence. */
    public function name(): Saying
    {
        return self::called($this->knot);
    }

    public static function called(KnotPack $knot): Saying
    {
        return new Saying('practice.the', ['knot' => new Within($knot->names[0])]);
    }

    /**
     * Whether anything can be said of wrong forms: a lashing goes wrong in other ways than by one over for an under.
     */
    public function isTold(): bool
    {
        return $this->knot->hasFingerprint() && $this->method->steps !== [];
    }

    /** @param  list<int>  $crossings  those that go the other way */
    public function outcome(array $crossings): Outcome
    {
        sort($crossings);
        $this->judge ??= new Judge($this->library, $this->index, $this->knot, $this->code);

        return $this->outcomes[implode(',', $crossings)] ??= $this->judge->outcome($this->code->flipped($crossings));
    }

    /** @return list<Found> errors by which it is another form, drawn on its own outline and not as good; the likeliest first */
    public function wrong(): array
    {
        if ($this->wrong !== null) {
            return $this->wrong;
        }
        $wrong = [];
        foreach ((new MistakeFinder($this->library, $this->index))->of($this->knot, $this->method) as $found) {
            $flips = $found->slip->flips ?? [];
            if ($flips !== [] && $found->slip->exchanged === [] && ! $found->becomes->isGood() && WrongForm::isDrawable($found, $this->diagram)) {
                $wrong[] = $found;
            }
        }

        return $this->wrong = $wrong;
    }

    /** What a form comes to, at the end of a sentence: "it would ...". */
    public function becomes(Outcome $outcome): Saying
    {
        $named = $outcome->knot === null ? null : self::called($this->library->knot($outcome->knot));

        return match ($outcome->kind) {
            OutcomeKind::Same, OutcomeKind::EquallyGood => new Saying('practice.be_as_good'),
            OutcomeKind::Knot => new Saying('practice.be', ['knot' => $named ?? '']),
            OutcomeKind::FallsOut => $named === null ? new Saying('practice.fall') : new Saying('practice.fall_named', ['knot' => $named]),
            OutcomeKind::Unnamed => new Saying('practice.be_else'),
        };
    }

    /**
     * A form as it is drawn on this outline.
     *
     * @param  list<int>  $flips
     * @return array<string, string> by rope: o over and u under, in order of travel
     */
    public function words(array $flips): array
    {
        $drawn = $this->diagram->flipped($flips);
        $words = [];
        foreach ($drawn->strands as $number => $strand) {
            if ($strand->kind->isRope()) {
                $words[$strand->id] = implode('', array_map(static fn (Visit $visit): string => $visit->over ? 'o' : 'u', $drawn->visits($number)));
            }
        }

        return $words;
    }
}
