<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\LashingKind;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Friction;
use Compadre\Core\Rope\Material;
use Compadre\Core\Space\ClosedCurves;
use Compadre\Core\Space\Contact;
use Compadre\Core\Space\Form;
use Compadre\Core\Space\Former;
use Compadre\Core\Space\FormFile;
use Compadre\Core\Space\KeptForm;
use Compadre\Core\Space\Lashing\Lashed;
use Compadre\Core\Space\Lashing\Recipe;
use Compadre\Core\Space\Nearness;
use Compadre\Core\Space\Proof;
use Compadre\Core\Space\Pull\PullFile;
use Compadre\Core\Space\Pull\Pulling;
use Compadre\Core\Space\Pull\PullResult;
use Compadre\Core\Space\Solid;
use Compadre\Core\Space\SpaceStrand;
use Compadre\Core\Space\Strain;
use Compadre\Core\Words\Catalogue;
use Compadre\Core\Words\Saying;

/**
 * A knot of the packs as ropes in space, a lashing of any poles and turns, or closed curves of any kind, drawn up tight and
 * proven. Lengths in rope diameters.
 */
final readonly class SpaceOperation implements Operation
{
    public function __construct(private Library $library, private FormFile $forms, private Friction $friction)
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
        $tight = ['type' => 'number', 'minimum' => 0, 'maximum' => 1, 'default' => 1];
        $rope = Schemas::object(['material' => Schemas::material(), 'lay' => ['enum' => ['laid', 'braided']]], ['material', 'lay']) + ['description' => 'in which it is pulled at; polyester where nothing is said. The lay is for the eye and has no part in it'];
        $knot = Schemas::object(['knot' => Schemas::text(), 'method' => Schemas::text(), 'tight' => $tight, 'pull' => ['type' => 'boolean', 'default' => false], 'rope' => $rope], ['method', 'tight', 'pull', 'rope']);
        $closed = Schemas::object([
            'closed' => Schemas::listOf($curve) + ['minItems' => 1, 'maxItems' => 10],
            'diameter' => ['type' => 'number', 'exclusiveMinimum' => 0, 'maximum' => ClosedCurves::FARTHEST],
        ]);

        $turns = ['type' => 'integer', 'maximum' => Recipe::MOST_WRAPS];
        $lashing = Schemas::object(['lashing' => Schemas::object([
            'kind' => Schemas::choice(LashingKind::class),
            'poles_mm' => Schemas::listOf(['type' => 'number', 'exclusiveMinimum' => 0, 'maximum' => 1000]) + ['minItems' => 2, 'maxItems' => 3],
            'diameter_mm' => Schemas::diameter(), 'wraps' => ['minimum' => 1] + $turns, 'fraps' => ['minimum' => 0, 'maximum' => Recipe::MOST_FRAPS, 'default' => 2] + $turns,
            'angle_deg' => ['type' => 'number', 'minimum' => Recipe::ANGLE['least'], 'maximum' => Recipe::ANGLE['most'], 'default' => Recipe::ANGLE['most']],
        ], ['wraps', 'fraps', 'angle_deg']), 'tight' => $tight], ['tight']);

        return ['type' => 'object', 'if' => ['required' => ['closed']], 'then' => $closed, 'else' => ['if' => ['required' => ['lashing']], 'then' => $lashing, 'else' => $knot]];
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
            'laid' => ['type' => 'object', 'additionalProperties' => ['type' => 'number'], 'description' => 'of lashings: the share of the loose rope up to the end of each turn'],
            'contacts' => Schemas::listOf(Schemas::object(['a' => Schemas::text(), 's' => ['type' => 'number'], 'b' => Schemas::text(), 't' => ['type' => 'number']])),
            'pull' => Schemas::object([
                'result' => Schemas::choice(PullResult::class), 'travel' => ['type' => 'number', 'description' => 'how far the tails crept into the knot, on average, in diameters'],
                'frames' => Schemas::listOf(Schemas::listOf($strand)), 'reason' => Schemas::text(500),
            ]),
            'proof' => Schemas::object(['directions' => ['type' => 'integer'], 'same' => ['type' => 'boolean']]),
        ], ['ropelength', 'rope_in_knot', 'laid', 'pull']);
    }

    public function run(Fields $input): array
    {
        return match (true) {
            $input->has('closed') => $this->closed($input),
            $input->has('lashing') => $this->lashing($input),
            default => $this->knot($input),
        };
    }

    /** @return array<string, mixed> */
    private function knot(Fields $input): array
    {
        $knot = $this->library->knot($input->text('knot'));
        $method = $knot->method($input->textOrNull('method'));
        if ($knot->lashing !== null) {
            if ($input->flag('pull')) {
                throw Pulling::nothingToPull();
            }
            $recipe = Lashed::pictured($knot->lashing);

            return self::lashed($this->forms->has($knot, $method) ? $this->forms->read($knot, $method) : Lashed::of($recipe), $recipe, $input);
        }
        $kept = $this->forms->has($knot, $method) ? $this->forms->read($knot, $method) : Former::kept($knot, $method);

        return self::answer($kept->form, $kept->form->at($input->number('tight', 1.0)), Proof::holds($knot, $method, $kept->form)) + ['rope_in_knot' => round($kept->ropeInKnot, 2)]
            + ($input->flag('pull') ? ['pull' => $this->pulled($knot, $method, $kept->form, $input)] : []);
    }

    /** @return array<string, mixed> */
    private function pulled(KnotPack $knot, Method $method, Form $form, Fields $input): array
    {
        $material = $input->has('rope') ? $input->object('rope')->choiceOrNull('material', Material::class) ?? Material::USUAL : Material::USUAL;
        $pulled = Pulling::of($knot, $method, $form, $this->friction->coefficient($material, 'rope'));

        return [
            'result' => $pulled->result->value, 'travel' => round($pulled->travel, 3),
            'frames' => array_map(static fn (array $ropes): array => array_map(self::strand(...), $ropes), $pulled->frames), 'reason' => Catalogue::english()->say(Saying::sentences([$pulled->result->said($pulled->travel, $material->said()), PullResult::model(), ...(isset(PullFile::wanted($this->library)[$knot->id]) ? [] : [PullResult::untried()])])),
        ];
    }

    /** @return array<string, mixed> */
    private function lashing(Fields $input): array
    {
        $asked = $input->object('lashing');
        $poles = array_map(static fn (mixed $pole): float => is_numeric($pole) ? (float) $pole : 0.0, $asked->list('poles_mm'));
        $recipe = Recipe::of(
            $asked->choice('kind', LashingKind::class), $poles, $asked->number('diameter_mm'), $asked->wholeOrNull('wraps'), $asked->whole('fraps', 2),
            $asked->has('angle_deg') ? $asked->number('angle_deg') : null,
        );

        return self::lashed(Lashed::of($recipe), $recipe, $input);
    }

    /** @return array<string, mixed> */
    private static function lashed(KeptForm $kept, Recipe $recipe, Fields $input): array
    {
        return self::answer($kept->form, $kept->form->at($input->number('tight', 1.0)), Lashed::holds($kept->form, $recipe)) + ['rope_in_knot' => round($kept->ropeInKnot, 2), 'laid' => $kept->laid];
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
        $form = ClosedCurves::tightened($curves === [] ? throw Refusal::of('/closed', [], 'compute.some_curve') : $curves, $input->number('diameter'));
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
