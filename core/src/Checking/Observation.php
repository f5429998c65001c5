<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\Measure;
use Compadre\Core\Rope\RopeInHand;

/**
 * What one leader saw of one knot tied by one learner. Prompts: 0, 1, or 2 for two and more. Measured tail in mm.
 */
final readonly class Observation
{
    public function __construct(
        public Seen $tying,
        public Seen $dressing,
        public Seen $tail,
        public How $how,
        public int $prompts,
        public ?float $measured,
        public Measure $measuredBy,
        public ?RopeInHand $rope,
        public ?string $mistake,
        public Seen $test = Seen::NotLooked,
    ) {
        if ($tying === Seen::NotApplicable) {
            throw Refusal::of('/tying', $tying->value, 'checking.tying');
        }
        if ($measured !== null && ! $rope instanceof RopeInHand) {
            throw Refusal::of('/rope', null, 'checking.tail_rope');
        }
        if ($how === How::Measured && $measured === null) {
            throw Refusal::of('/measured_mm', null, 'checking.measured');
        }
    }

    /** One tap: every part that applies is attested, with no prompt given. */
    public static function cleanPass(bool $dressing = true, bool $tail = true): self
    {
        return new self(
            Seen::Yes,
            $dressing ? Seen::Yes : Seen::NotApplicable,
            $tail ? Seen::Yes : Seen::NotApplicable,
            How::Attested, 0, null, Measure::Millimetres, null, null,
        );
    }

    /** Nothing seen: what an event says that is not itself a check. */
    public static function nothing(): self
    {
        return new self(Seen::NotLooked, Seen::NotLooked, Seen::NotLooked, How::Attested, 0, null, Measure::Millimetres, null, null);
    }

    /** From the observation fields of a check event that has passed its schema. */
    public static function from(Fields $fields): self
    {
        return new self(
            $fields->choice('tying', Seen::class),
            $fields->choice('dressing', Seen::class),
            $fields->choice('tail', Seen::class),
            $fields->choice('how', How::class, How::Attested),
            $fields->whole('prompts', 0),
            $fields->numberOrNull('measured_mm'),
            $fields->choice('measured_by', Measure::class, Measure::Millimetres),
            self::rope($fields->objectOrNull('rope')),
            $fields->textOrNull('mistake'),
            $fields->choice('test', Seen::class, Seen::NotLooked),
        );
    }

    private static function rope(?Fields $rope): ?RopeInHand
    {
        if (! $rope instanceof Fields) {
            return null;
        }

        return RopeInHand::of($rope->number('diameter_mm'), $rope->choice('material', Material::class), $rope->flag('wet'), $rope->numberOrNull('width_mm'));
    }
}
