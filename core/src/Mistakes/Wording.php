<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

use Compadre\Core\Knots\KnotMistake;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;

/**
 * How a mistake shows, what caused it and what mends it: in the pack's own words where it has some for that outcome, else said
 * from what was computed.
 */
final readonly class Wording
{
    public function __construct(private KnotPack $knot, private Method $method, private Library $library)
    {
    }

    /** @return array{string, string, string} sign, cause and fix */
    public function of(Slip $slip, Outcome $becomes): array
    {
        $own = $becomes->isGood() ? null : $this->own($slip, $becomes);
        if ($own !== null) {
            return [$own->sign, $own->cause, $own->fix];
        }

        return [$this->sign($becomes), $slip->kind->cause(), $this->fix($slip, $becomes)];
    }

    private function own(Slip $slip, Outcome $becomes): ?KnotMistake
    {
        if ($becomes->knot !== null && isset($this->knot->mistakes[$becomes->knot])) {
            return $this->knot->mistakes[$becomes->knot];
        }
        foreach ($this->knot->mistakes as $mistake) {
            if ($mistake->of !== null && ($mistake->of === $becomes->kind->value || $slip->kind->isMeantBy($mistake->of))) {
                return $mistake;
            }
        }

        return null;
    }

    private function sign(Outcome $becomes): string
    {
        $name = $becomes->knot === null ? '' : lcfirst($this->library->knot($becomes->knot)->names[0]);

        return match ($becomes->kind) {
            OutcomeKind::Same => 'It is the same knot',
            OutcomeKind::EquallyGood => 'It looks different and holds as well',
            OutcomeKind::FallsOut => 'It comes apart when pulled',
            OutcomeKind::Knot => "It is another knot: the $name",
            OutcomeKind::Unnamed => 'It does not look like the picture',
        };
    }

    private function fix(Slip $slip, Outcome $becomes): string
    {
        if ($becomes->isGood()) {
            return 'Nothing to mend';
        }
        $step = $this->method->steps[$slip->step - 1] ?? null;

        return $step === null ? 'Tie it again' : "Go back to step {$slip->step}: ".rtrim(lcfirst($step->say), '.');
    }
}
