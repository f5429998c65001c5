<?php

declare(strict_types=1);

use Compadre\Core\Data\CsvTable;
use Compadre\Core\Refusal;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * The slow way, character by character, as RFC 4180 has it: what stands between two separators is a cell; one that begins with a quote goes
 * on to the quote that is not doubled. Blanks round a cell count for nothing, rows of nothing neither.
 *
 * @return ?array<int, list<string>> by the line each begins on; null where a quote is never closed
 */
function slowCsv(string $text, string $separator): ?array
{
    [$rows, $row, $cell, $line, $began, $at] = [[], [], '', 1, 1, 0];
    $isQuoted = false;
    $end = function () use (&$rows, &$row, &$cell, &$began): void {
        $row[] = trim($cell);
        if (implode('', $row) !== '') {
            $rows[$began] = $row;
        }
        [$row, $cell] = [[], ''];
    };
    for ($length = strlen($text); $at < $length; $at++) {
        $char = $text[$at];
        if ($isQuoted) {
            if ($char === '"' && ($text[$at + 1] ?? '') === '"') {
                $cell .= '"';
                $at++;
            } elseif ($char === '"') {
                $isQuoted = false;
            } else {
                $cell .= $char;
                $line += $char === "\n" ? 1 : 0;
            }
        } elseif ($char === '"' && trim($cell) === '') {
            $isQuoted = true;
            $cell = '';
        } elseif ($char === $separator) {
            $row[] = trim($cell);
            $cell = '';
        } elseif ($char === "\n") {
            $end();
            $began = ++$line;
        } else {
            $cell .= $char;
        }
    }
    if ($cell !== '' || $row !== []) {
        $end();
    }

    return $isQuoted ? null : $rows;
}

/** A word of what makes trouble in such files. */
function troublesome(Randomizer $random): string
{
    $pieces = ['a', 'Zoë', '"', "'", '=', '+', '-', '@', ',', ';', "\t", '|', ' ', "\n", '1', '""', 'Ada P.'];
    $word = '';
    for ($n = $random->getInt(0, 5); $n > 0; $n--) {
        $word .= $pieces[$random->getInt(0, count($pieces) - 1)];
    }

    return $word;
}

it('writes what it reads back, whatever stands in it', function (): void {
    $random = new Randomizer(new Xoshiro256StarStar(41));
    for ($case = 0; $case < 800; $case++) {
        $wide = $random->getInt(2, 5);
        $rows = [];
        for ($n = $random->getInt(1, 6); $n > 0; $n--) {
            // Something in each row: one of nothing is no row.
            $rows[] = ['x', ...array_map(fn (): string => troublesome($random), range(2, $wide))];
        }
        $head = array_map(fn (int $n): string => "column $n", range(1, $wide));
        foreach ([',', "\t"] as $between) {
            $text = CsvTable::write($head, $rows, $between);
            $read = array_values(CsvTable::read($text, 50)->rows);
            expect(array_slice($read, 1))->toBe(array_map(static fn (array $row): array => array_map(trim(...), $row), $rows), "case $case: $text");
            // No spreadsheet reckons with any of it.
            foreach (slowCsv(str_replace("\r\n", "\n", $text), $between) as $row) {
                expect(preg_grep('/^[=+\-@]/', $row))->toBe([]);
            }
        }
    }
});

it('reads cells, rows and lines as going through it character by character would', function (): void {
    $random = new Randomizer(new Xoshiro256StarStar(42));
    $compared = $open = 0;
    for ($case = 0; $case < 1500; $case++) {
        $separator = [',', ';', "\t", '|'][$random->getInt(0, 3)];
        $lines = [];
        for ($n = $random->getInt(1, 5); $n > 0; $n--) {
            $cells = [];
            for ($wide = 3; $wide > 0; $wide--) {
                $plain = ['a', 'Bram K.', '', ' b ', '12', 'Zoë'][$random->getInt(0, 5)];
                $quoted = ['"a"', '"x""y"', "\"two\nlines\"", ' "spaced" ', '""', '"'.$separator.'"', '"never closed'][$random->getInt(0, $case % 5 === 0 ? 6 : 5)];
                $cells[] = $random->getInt(0, 2) === 0 ? $quoted : $plain;
            }
            $lines[] = implode($separator, $cells);
        }
        $text = implode(["\n", "\r\n"][$random->getInt(0, 1)], $lines);
        $plain = str_replace("\r\n", "\n", $text);
        try {
            $read = CsvTable::read($text, 50);
        } catch (Refusal $refusal) {
            expect(slowCsv($plain, $separator))->toBe(str_contains($refusal->getMessage(), 'never closed') ? null : [], "case $case: $text");
            $open++;

            continue;
        }
        expect($read->rows)->toBe(slowCsv($plain, $read->delimiter), "case $case: $text");
        $compared++;
    }
    expect($compared)->toBeGreaterThan(1200)->and($open)->toBeGreaterThan(30);
});
