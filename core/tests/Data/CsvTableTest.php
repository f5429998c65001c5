<?php

declare(strict_types=1);

use Compadre\Core\Data\CsvTable;
use Compadre\Core\Data\SheetRow;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\MeetingSheet;
use Compadre\Core\Teaching\RosterSheet;
use Compadre\Core\Words\Catalogue;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** @return list<array<string, mixed>> */
function roster(string $bytes): array
{
    return array_map(fn (SheetRow $row): array => ['line' => $row->line, 'fault' => $row->fault === null ? null : Catalogue::english()->say($row->fault)] + $row->data, RosterSheet::rows(CsvTable::read($bytes, 500)));
}

it('reads any delimiter, with or without a head, quoted, from either encoding', function (string $bytes): void {
    $rows = roster($bytes);
    expect(array_map(fn (array $row): array => [$row['name'], $row['age_band'], $row['hand'], $row['fault']], $rows))->toBe([['Ada P.', '8-10', null, null], ['Zoë, the second', '11-13', 'left', null]]);
})->with([
    'commas' => ["Ada P.,9,\n\"Zoë, the second\",11-13,left\n"],
    'semicolons and a head' => ["Name;Age;Hand\r\nAda  P.;9;\r\n\"Zoë, the second\";12;L\r\n"],
    'tabs, columns in another order' => ["hand\tage\tname\n\t9\tAda P.\nleft\t12\tZoë, the second"],
    'bars and a mark' => ["\xEF\xBB\xBFAda P.|8-10|\n\n\"Zoë, the second\"|11 to 13|left"],
    'Windows-1252' => [mb_convert_encoding("Ada P.;9;\n\"Zoë, the second\";12;left\n", 'Windows-1252', 'UTF-8')],
]);

it('names each bad row by its line and leaves the good ones good', function (): void {
    $rows = roster("name,age,hand\nAda P.,9,\n,9,\nBram K.,4,\nada p.,9,\nCleo M.,9,both\nDov R.,9,left,more\nEsme T.,10,right\n");
    expect(array_column($rows, 'line'))->toBe([2, 3, 4, 5, 6, 7, 8]);
    expect(array_map(fn (?string $fault): ?string => $fault === null ? null : substr($fault, 0, 24), array_column($rows, 'fault')))->toBe([
        null, 'The name is missing.', 'The age is "4"; allowed:', 'ada p. is in this list t', 'The hand is "both"; allo', 'There is more on this ro', null,
    ]);
    expect(roster("\"Two\nlines\",9\nNext,9\n")[1]['line'])->toBe(3);
});

it('refuses nothing and too much', function (): void {
    expect(fn () => CsvTable::read(" \n ;\n", 500))->toThrow(Refusal::class, 'nothing in it');
    expect(fn () => CsvTable::read(str_repeat("Ada,9\n", 2000), 500))->toThrow(Refusal::class, 'It has 2000 rows; at most 500');
});

it('writes what it reads back', function (): void {
    $names = ['Ada P.', 'Zoë "Z", of the loft', "Two\nlines", ' spaced ', '=sum'];
    $text = CsvTable::write(['name', 'age', 'hand'], array_map(fn (string $name): array => [$name, '8-10', 'left'], $names));
    expect($text)->toStartWith("name,age,hand\r\n")->toContain('"Zoë ""Z"", of the loft",8-10,left');
    expect(array_column(roster($text), 'name'))->toBe(['Ada P.', 'Zoë "Z", of the loft', 'Two lines', 'spaced', '=sum']);
    expect(CsvTable::read($text, 9)->rows)->toHaveCount(6);
});

it('reads meetings, and says what is wrong with which', function (): void {
    $rows = array_map(fn (SheetRow $row): array => ['line' => $row->line] + $row->data + ['fault' => $row->fault === null ? null : Catalogue::english()->say($row->fault)], MeetingSheet::rows(CsvTable::read("date;time;minutes;leaders;where\n2026-12-01;18:30;75;2;Net loft\n2026-12-08;;;;\n2026-02-30;18:30;60;2;\n2026-11-01;18:30;60;2;\n2026-12-09;25:00;60;2;\n2026-12-10;18:30;0;2;\n2026-12-11;18:30;60;0;\n", 50)));
    expect($rows[0])->toBe(['line' => 2, 'date' => '2026-12-01', 'starts_at' => '18:30', 'minutes' => 75, 'checkers' => 2, 'place' => 'Net loft', 'fault' => null]);
    expect($rows[1])->toMatchArray(['starts_at' => '18:30', 'minutes' => 60, 'checkers' => 2, 'place' => null, 'fault' => null]);
    foreach ([2 => 'a date as', 4 => 'a time of day', 5 => '15 to 600', 6 => '1 to 20'] as $row => $says) {
        expect($rows[$row]['fault'])->toContain($says);
    }
});

it('lets a quote in the middle of a cell be, and names the line of one that is left open', function (): void {
    $rows = roster("Ada \"the\" P.,9,\n5\" rope,9,\nBram K.,10,left\n");
    expect(array_column($rows, 'name'))->toBe(['Ada "the" P.', '5" rope', 'Bram K.'])->and(array_column($rows, 'line'))->toBe([1, 2, 3]);
    expect(fn () => CsvTable::read("name,age\nAda P.,9\n\"Bram K.,9\nCleo M.,9\n", 50))->toThrow(Refusal::class, 'on line 3 is never closed');
    expect(fn () => CsvTable::read("\"a\nb\",9\n \"Cleo,9\n", 50))->toThrow(Refusal::class, 'on line 3 is never closed');
    // Half a megabyte behind an open quote is one look at each character.
    expect(fn () => CsvTable::read('"'.str_repeat("Ada P.,9\n", 55_000), 50))->toThrow(Refusal::class, 'on line 1');
});

it('gives a spreadsheet nothing to reckon out, and reads each text back as it was', function (): void {
    $texts = ['=HYPERLINK("http://x","y")', '+1', '-1', '@sum', "'tis", "''twice", '=1', 'plain', "'", '5" rope', 'a=b'];
    $file = CsvTable::write(['name', 'age', 'hand'], array_map(fn (string $text): array => [$text, '9', ''], $texts));
    expect($file)->toContain('"\'=HYPERLINK(""http://x"",""y"")"')->toContain("\r\n'+1,")->toContain("\r\n'@sum,");
    expect(array_map(fn (array $row): string => $row[0], array_values(array_slice(CsvTable::read($file, 50)->rows, 1, null, true))))->toBe($texts);
});

it('knows columns in any order and by usual names, leaves out what nobody asked for, and says so', function (): void {
    $columns = ['name' => ['name', 'who'], 'length_mm' => ['length mm'], 'count' => ['count', 'how many']];
    $table = CsvTable::read("How many?;Bought in;WHO;Length (mm)\n2;2019;Coil;30000\n1;;Line;500\n", 9);
    expect(array_values($table->named($columns)))->toBe([['count' => '2', 'name' => 'Coil', 'length_mm' => '30000'], ['count' => '1', 'name' => 'Line', 'length_mm' => '500']])->and($table->leftOut($columns))->toBe(['Bought in']);
    // Less than half of it known: no head, and nothing is lost.
    $plain = CsvTable::read("Count,Red,Blue,9\n", 9);
    expect(array_values($plain->named($columns)))->toBe([['name' => 'Count', 'length_mm' => 'Red', 'count' => 'Blue', '' => '9']])->and($plain->leftOut($columns))->toBe([]);
    // Of two columns that mean the same the first counts.
    $twice = CsvTable::read("name,who,count\nCoil,Ada P.,3\n", 9);
    expect(array_values($twice->named($columns)))->toBe([['name' => 'Coil', 'count' => '3']])->and($twice->leftOut($columns))->toBe(['who']);
});

it('finds its columns however they are shuffled, named and mixed with others', function (): void {
    $random = new Randomizer(new Mt19937(17));
    $columns = ['name' => ['name', 'who', 'display name'], 'age' => ['age', 'years'], 'hand' => ['hand', 'handed'], 'patrol' => ['patrol', 'team']];
    foreach (range(1, 300) as $case) {
        $rows = array_map(fn (int $n): array => ['name' => "Ada $n", 'age' => (string) $random->getInt(5, 17), 'hand' => ['', 'left'][$random->getInt(0, 1)], 'patrol' => ['', 'Gulls, the', '"Terns"', "=Auks\tand"][$random->getInt(0, 3)]], range(1, $random->getInt(1, 5)));
        $order = $random->shuffleArray([...array_keys($columns), ...array_slice(['Email', 'Born', 'Fee paid'], 0, $random->getInt(0, 3))]);
        $head = array_map(fn (string $one): string => isset($columns[$one]) ? ucfirst(str_replace(' ', ['_', ' ', '-'][$random->getInt(0, 2)], $columns[$one][$random->getInt(0, count($columns[$one]) - 1)])) : $one, $order);
        $text = CsvTable::write($head, array_map(fn (array $row): array => array_map(fn (string $one): string => $row[$one] ?? 'x', $order), $rows), [',', "\t"][$random->getInt(0, 1)]);
        $read = array_map(fn (array $row): array => array_replace(array_flip(array_keys($columns)), $row), array_values(CsvTable::read($text, 99)->named($columns)));
        expect($read)->toBe($rows, "$case: $text");
    }
});
