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

        return [$this->sign($becomes), $this->cause($slip), $this->fix($slip, $becomes)];
    }

    private function own(Slip $slip, Outcome $becomes): ?KnotMistake
    {
        if ($becomes->knot !== null && isset($this->knot->mistakes[$becomes->knot])) {
            return $this->knot->mistakes[$becomes->knot];
        }
        foreach ($this->knot->mistakes as $mistake) {
            if ($mistake->of !== null && ($mistake->of === $becomes->kind || str_starts_with($slip->id, $mistake->of.'-'))) {
                return $mistake;
            }
        }

        return null;
    }

    private function sign(Outcome $becomes): string
    {
        $name = $becomes->knot === null ? '' : lcfirst($this->library->knot($becomes->knot)->names[0]);

        return match ($becomes->kind) {
            'same' => 'It is the same knot',
            'equally-good' => 'It looks different and holds as well',
            'falls-out' => 'It comes apart when pulled',
            'knot' => "It is another knot: the $name",
            default => 'It does not look like the picture',
        };
    }

    private function cause(Slip $slip): string
    {
        return match (true) {
            str_starts_with($slip->id, 'second-half-ends') => 'The second half went the other way, and a tail and its loaded end have changed places',
            $slip->error === ErrorKind::SecondHalf => 'The second half went the other way',
            str_starts_with($slip->id, 'last-tuck-strand') => 'The end went round the strand beside the right one',
            str_starts_with($slip->id, 'last-tuck-round') => 'The end went in where it should come out',
            $slip->error === ErrorKind::LastTuck => 'The last tuck went through from the other side',
            str_starts_with($slip->id, 'half-wrap-missed') => 'Half a turn was left out',
            str_starts_with($slip->id, 'half-wrap-added') => 'Half a turn too many was made',
            str_starts_with($slip->id, 'wrap-missed') => 'A turn was left out',
            str_starts_with($slip->id, 'wrap-added') => 'A turn too many was made',
            $slip->error === ErrorKind::Ends => 'A tail and its loaded end have changed places',
            default => 'Over and under have changed places at one crossing',
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
