<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Choosing\Choice;
use Compadre\Core\Rigs\Choosing\Chooser;
use Compadre\Core\Rigs\Choosing\Job;
use Compadre\Core\Rigs\Choosing\Thing;
use Compadre\Core\Rope\Material;
use Compadre\Core\Words\Catalogue;

/**
 * Which knot for this? What is at each end, what it should do, the load, how it must come undone, who ties it.
 */
final readonly class ChooseOperation implements Operation
{
    public const TASKS = ['join', 'loop', 'hitch', 'bind', 'stop', 'adjust', 'lash', 'shorten'];

    public const THINGS = ['rope', 'tape', 'pole', 'ring', 'chain', 'eye', 'bundle'];

    public const LOADS = ['steady', 'shaking', 'on_off', 'none'];

    public const UNDOING = ['after_load', 'at_a_pull', 'any'];

    public function __construct(private Chooser $chooser, private Library $library)
    {
    }

    public function name(): string
    {
        return 'choose';
    }

    public function input(): array
    {
        $thing = Schemas::object(['kind' => ['enum' => self::THINGS], 'diameter_mm' => ['type' => 'number', 'exclusiveMinimum' => 0, 'maximum' => 10_000], 'material' => Schemas::material()], ['diameter_mm', 'material']);

        return Schemas::object([
            'task' => ['enum' => self::TASKS], 'a' => $thing, 'b' => $thing, 'load' => ['enum' => self::LOADS], 'undo' => ['enum' => self::UNDOING],
            'wet' => ['type' => 'boolean'], 'has' => Schemas::listOf(Schemas::text(60)) + ['maxItems' => 200], 'age_band' => ['enum' => ['5-7', '8-10', '11-13', '14+']],
            'audience' => Schemas::audience(),
        ], ['b', 'wet', 'has', 'age_band', 'audience']);
    }

    public function output(): array
    {
        return Schemas::object([
            'answers' => Schemas::listOf(Schemas::object(['knot' => Schemas::text(), 'method' => Schemas::text(), 'turns' => ['type' => 'number'], 'reason' => Schemas::text(800)], ['method', 'turns'])) + ['minItems' => 1, 'maxItems' => 3],
            'left_out' => Schemas::listOf(Schemas::object(['knot' => Schemas::text(), 'reason' => Schemas::text(800)])),
        ]);
    }

    public function run(Fields $input): array
    {
        $choice = $this->choose($input);
        $words = Catalogue::english();
        $answers = array_map(static fn (array $one): array => ['reason' => $words->say($one['reason'])] + array_filter($one, static fn (mixed $value): bool => $value !== null), $choice->answers);

        return ['answers' => $answers, 'left_out' => array_map(static fn (array $one): array => ['reason' => $words->say($one['reason'])] + $one, $choice->leftOut)];
    }

    /** @throws Refusal for knots that nobody knows, and for things that nothing is tied to */
    public function choose(Fields $input): Choice
    {
        foreach ($input->texts('has') as $index => $knot) {
            Schemas::isForLearners($input) ? $this->library->forLearners($knot, "/has/$index") : $this->library->knot($knot, "/has/$index");
        }

        return $this->chooser->choose(self::job($input));
    }

    /** @throws Refusal for a rope thicker than rope is */
    public static function job(Fields $input): Job
    {
        return new Job(
            $input->text('task'), self::thing($input->object('a')), $input->has('b') ? self::thing($input->object('b')) : null, $input->text('load'), $input->text('undo'),
            $input->flag('wet'), $input->has('has') ? $input->texts('has') : null, $input->textOrNull('age_band'),
        );
    }

    private static function thing(Fields $thing): Thing
    {
        $made = new Thing($thing->text('kind'), $thing->numberOrNull('diameter_mm'), $thing->choiceOrNull('material', Material::class));
        if ($made->isRope() && ($made->diameter ?? 0.0) > 100) {
            throw Refusal::of($thing->place('diameter_mm'), $made->diameter, 'compute.rope_width');
        }

        return $made;
    }
}
