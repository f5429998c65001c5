<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Family;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Space\ClosedCurves;
use Compadre\Core\Space\Contact;
use Compadre\Core\Space\Form;
use Compadre\Core\Space\Former;
use Compadre\Core\Space\FormFile;
use Compadre\Core\Space\Nearness;
use Compadre\Core\Space\Proof;
use Compadre\Core\Space\Solid;
use Compadre\Core\Space\SpaceStrand;
use Compadre\Core\Space\Strain;

/**
 * A knot of the packs as ropes in space, or closed curves of any kind, drawn up tight and proven. Lengths in rope diameters.
 */
final readonly class SpaceOperation implements Operation
{
    public function __construct(private Library $library, private FormFile $forms)
    {
    }

    public function name(): string
    {
        return 'space';
    }

    public function input(): array
    {
        $coordinate = ['type' => 'number', 'minimum' => -ClosedCurves::FARTHEST, 'maximum' => ClosedCurves::FARTHEST];
        $curve = Schemas::listOf(['type' => 'array', 'items' => $coordinate, 'minItems' => 3, 'maxItems' => 3]) + ['minItems' => ClosedCurves::FEWEST_POINTS, 'maxItems' => ClosedCurves::MOST_POINTS];
        $knot = Schemas::object(['knot' => Schemas::text(), 'method' => Schemas::text(), 'tight' => ['type' => 'number', 'minimum' => 0, 'maximum' => 1, 'default' => 1]], ['method', 'tight']);
        $closed = Schemas::object([
            'closed' => Schemas::listOf($curve) + ['minItems' => 1, 'maxItems' => 10],
            'diameter' => ['type' => 'number', 'exclusiveMinimum' => 0, 'maximum' => ClosedCurves::FARTHEST],
        ]);

        return ['type' => 'object', 'if' => ['required' => ['closed']], 'then' => $closed, 'else' => $knot];
    }

    public function output(): array
    {
        $place = ['type' => 'array', 'items' => ['type' => 'number'], 'minItems' => 3, 'maxItems' => 3];
        $strand = Schemas::object(['id' => Schemas::text(), 'points' => Schemas::listOf($place)]);

        return Schemas::object([
            'frames' => Schemas::listOf(Schemas::object(['strands' => Schemas::listOf($strand), 'min_distance' => ['type' => 'number'], 'strain' => ['type' => 'number']])),
            'objects' => Schemas::listOf(Schemas::object(['kind' => Schemas::text(), 'from' => $place, 'to' => $place, 'radius' => ['type' => 'number']])),
            'strands' => Schemas::listOf($strand),
            'ropelength' => ['type' => 'number', 'description' => 'of closed curves: length over the smaller of diameter and smallest distance'],
            'rope_in_knot' => ['type' => 'number'],
            'contacts' => Schemas::listOf(Schemas::object(['a' => Schemas::text(), 's' => ['type' => 'number'], 'b' => Schemas::text(), 't' => ['type' => 'number']])),
            'proof' => Schemas::object(['directions' => ['type' => 'integer'], 'same' => ['type' => 'boolean']]),
        ], ['ropelength', 'rope_in_knot']);
    }

    public function run(Fields $input): array
    {
        return $input->has('closed') ? $this->closed($input) : $this->knot($input);
    }

    /** @return array<string, mixed> */
    private function knot(Fields $input): array
    {
        $knot = $this->library->knot($input->text('knot'));
        if ($knot->family === Family::Lashing) {
            throw Refusal::of('/knot', $knot->id, 'a knot that is drawn up from its drawing; a lashing is not');
        }
        $method = $knot->method($input->textOrNull('method'));
        $kept = $this->forms->has($knot, $method) ? $this->forms->read($knot, $method) : Former::kept($knot, $method);

        return self::answer($kept->form, $kept->form->at($input->number('tight', 1.0)), Proof::holds($knot, $method, $kept->form)) + ['rope_in_knot' => round($kept->ropeInKnot, 2)];
    }

    /** @return array<string, mixed> */
    private function closed(Fields $input): array
    {
        $curves = [];
        foreach ($input->list('closed') as $number => $points) {
            $read = [];
            foreach (array_values((array) $points) as $point) {
                [$x, $y, $z] = array_values((array) $point);
                $read[] = [self::coordinate($x), self::coordinate($y), self::coordinate($z)];
            }
            $curves[] = new SpaceStrand((string) $number, true, $read);
        }
        $form = ClosedCurves::tightened($curves === [] ? throw Refusal::of('/closed', [], 'at least one curve') : $curves, $input->number('diameter'));
        $tight = $form->tight();

        return self::answer($form, $tight, ClosedCurves::isSame($form)) + ['ropelength' => round(SpaceStrand::lengthOf($tight) / min(1.0, Nearness::least($tight)), 4)];
    }

    private static function coordinate(mixed $value): float
    {
        return is_numeric($value) ? (float) $value : 0.0;
    }

    /**
     * @param  list<SpaceStrand>  $strands  what is asked for
     * @return array<string, mixed>
     */
    private static function answer(Form $form, array $strands, bool $isSame): array
    {
        $tight = $form->tight();

        return [
            'frames' => array_map(static fn (array $ropes): array => [
                'strands' => array_map(self::strand(...), $ropes), 'min_distance' => self::distance($ropes), 'strain' => round(Strain::of($ropes), 5),
            ], $form->frames),
            'objects' => array_map(static fn (Solid $solid): array => $solid->toArray(), [...$form->solids, ...$form->pegs]),
            'strands' => array_map(self::strand(...), $strands),
            'contacts' => array_map(static fn (Contact $contact): array => [
                'a' => $tight[$contact->a]->id, 's' => round($contact->s, 3), 'b' => $tight[$contact->b]->id, 't' => round($contact->t, 3),
            ], Nearness::contacts($tight)),
            'proof' => ['directions' => $form->sides, 'same' => $isSame],
        ];
    }

    /**
     * Far from everything, a strand that never comes back to itself has no smallest distance: its length stands for it.
     *
     * @param  list<SpaceStrand>  $ropes
     */
    private static function distance(array $ropes): float
    {
        $least = Nearness::least($ropes);

        return round(is_finite($least) ? $least : SpaceStrand::lengthOf($ropes), 5);
    }

    /** @return array{id: string, points: list<list<float>>} */
    private static function strand(SpaceStrand $strand): array
    {
        return ['id' => $strand->id, 'points' => array_map(static fn (array $point): array => array_map(static fn (float $value): float => round($value, 4), $point), $strand->points)];
    }
}
