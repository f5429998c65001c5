<?php

declare(strict_types=1);

namespace Database\Seeders;

/**
 * Who is who in Gullwick, and how the first five evenings went.
 */
final class GullwickTerm
{
    public const WORDS = [
        'lantern', 'harbour', 'willow', 'tripod', 'banner', 'loft', 'green', 'cutting',
        'hemp', 'rope', 'bight', 'collar', 'tail', 'pole', 'guy', 'crate',
    ];

    public const LEADERS = [
        ['Maren Holt', 'maren@gullwick.example', 'lead'],
        ['Tobin Ashe', 'tobin@gullwick.example', 'instructor'],
        ['Wren Callow', 'wren@gullwick.example', 'helper'],
    ];

    public const LEARNERS = [
        ['Ada P.', '8-10'], ['Bram K.', '8-10'], ['Cleo M.', '8-10'], ['Dov R.', '8-10', 'left'], ['Esme T.', '8-10'],
        ['Finn O.', '8-10'], ['Greta L.', '8-10'], ['Hari S.', '8-10'], ['Ines V.', '11-13'], ['Jory B.', '11-13'],
        ['Kit A.', '11-13', 'left'], ['Lumi N.', '11-13'], ['Milo F.', '11-13'], ['Noor D.', '11-13'], ['Oona W.', '14+'], ['Pell G.', '14+', 'left'],
    ];

    /** Name, coil or piece, mm, material, lay, colour, ends, length in mm, how many. */
    public const STORE = [
        ['Good hemp coil', 'coil', 10, 'natural', 'right', 'hemp', 'whipped', 30000, 1],
        ['Half coil', 'coil', 10, 'natural', 'right', 'hemp', 'bare', 11400, 1],
        ['Practice pieces', 'piece', 10, 'natural', 'right', 'hemp', 'taped', 1600, 9],
        ['Short ends', 'piece', 10, 'natural', 'right', 'hemp', 'bare', 900, 6],
        ['Blue guy coil', 'coil', 6, 'polypropylene', 'braided', 'blue', 'sealed', 50000, 1],
        ['Blue pieces', 'piece', 6, 'polypropylene', 'braided', 'blue', 'sealed', 1500, 4],
    ];

    /** Name, diameter, length, count. */
    public const POLES = [
        ['Hazel sticks', 35, 1600, 12],
        ['Ash poles', 60, 2500, 6],
        ['Long spars', 80, 3200, 2],
    ];

    /** Whoever was here for the walk of last year. */
    public const LANTERN_HANDS = ['Kit A.', 'Noor D.', 'Oona W.'];

    public const WHY = 'Lit the way at the Midwinter Lantern Walk of last year.';

    /** Finn was away twice. */
    public const AWAY = [[], ['Hari S.'], ['Finn O.', 'Milo F.'], ['Finn O.'], ['Esme T.', 'Jory B.']];

    /** The knots of each evening: new ones, then old ones. */
    private const KNOTS = [
        ['overhand'],
        ['figure-eight', 'overhand'],
        ['square-knot', 'overhand'],
        ['two-half-hitches', 'figure-eight'],
        ['clove-hitch', 'two-half-hitches', 'square-knot'],
    ];

    private const GRANNY = ['tying' => 'no', 'dressing' => 'not_looked', 'tail' => 'not_looked', 'mistake' => 'granny-knot'];

    /**
     * @return list<array{string, string, array<string, mixed>}> learner, knot, and what differs from a clean pass
     */
    public static function evening(int $number): array
    {
        $checks = $number === 0 ? [['Noor D.', 'clove-hitch', ['kind' => 'prior']], ['Noor D.', 'two-half-hitches', ['kind' => 'prior']]] : [];
        foreach (self::KNOTS[$number] as $order => $knot) {
            foreach (self::LEARNERS as $place => [$name, $band]) {
                // The hitches are the older ones' work; old knots are tied by every other learner, in turn.
                $younger = $band === '8-10';
                $skips = ($knot === 'clove-hitch' && $younger) || ($order > 0 && $name !== 'Greta L.' && $name !== 'Cleo M.' && ($place + $number) % 3 === 0);
                if (! $skips) {
                    $checks[] = [$name, $knot, self::outcome($name, $knot, $order > 0, 7 * $place + 3 * $number + 5 * $order)];
                }
            }
        }

        return $checks;
    }

    /** @return array<string, mixed> */
    private static function outcome(string $name, string $knot, bool $old, int $turn): array
    {
        return match (true) {
            $name === 'Cleo M.' && $knot === 'square-knot' => self::GRANNY,
            $name === 'Greta L.' && $knot === 'two-half-hitches' => ['prompts' => 1],
            $name === 'Greta L.', $name === 'Ada P.' && ! $old => [],
            $turn % 11 === 3 => ['prompts' => 1],
            $turn % 13 === 5 => ['dressing' => 'no', 'tail' => 'not_looked'],
            $turn % 17 === 9 && ! $old => ['how' => 'measured', 'tail' => 'not_looked', 'measured_mm' => 18, 'measured_by' => 'mm', 'rope' => ['diameter_mm' => 10, 'material' => 'natural']],
            $turn % 19 === 7 && ! $old => ['tying' => 'no', 'dressing' => 'not_looked', 'tail' => 'not_looked'],
            default => [],
        };
    }
}
