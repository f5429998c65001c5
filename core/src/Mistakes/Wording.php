<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

use Compadre\Core\Knots\KnotMistake;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Words\Saying;
use Compadre\Core\Words\Within;

/**
 * How a mistake shows, what caused it and what mends it: in the pack's own words where it has some for that outcome, else said
 * from what was computed.
 */
final readonly class Wording
{
    public function __construct(private KnotPack $knot, private Method $method, private Library $library)
    {
    }

    /** @return array{Saying, Saying, Saying, ?KnotMistake} sign, cause and fix, and the mistake of the pack whose words these are */
    public function of(Slip $slip, Outcome $becomes): array
    {
        $own = $becomes->isGood() ? null : $this->own($slip, $becomes);
        if ($own !== null) {
            return [Saying::just($own->sign), Saying::just($own->cause), Saying::just($own->fix), $own];
        }

        return [$this->sign($becomes), $slip->kind->cause(), $this->fix($slip, $becomes), null];
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

    private function sign(Outcome $becomes): Saying
    {
        $name = $becomes->knot === null ? '' : $this->library->knot($becomes->knot)->names[0];

        return match ($becomes->kind) {
            OutcomeKind::Same => new Saying('mistakes.sign_same'),
            OutcomeKind::EquallyGood => new Saying('mistakes.sign_as_good'),
            OutcomeKind::FallsOut => new Saying('mistakes.sign_falls'),
            OutcomeKind::Knot => new Saying('mistakes.sign_other', ['knot' => new Within($name)]),
            OutcomeKind::Unnamed => new Saying('mistakes.sign_unnamed'),
        };
    }

    private function fix(Slip $slip, Outcome $becomes): Saying
    {
        if ($becomes->isGood()) {
            return new Saying('mistakes.fix_nothing');
        }
        $step = $this->method->steps[$slip->step - 1] ?? null;

        return $step === null ? new Saying('mistakes.fix_again') : new Saying('mistakes.fix_back', ['step' => $slip->step, 'say' => new Within(rtrim($step->say, '.'))]);
    }
}
