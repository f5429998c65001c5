<?php

declare(strict_types=1);

use Compadre\Core\Data\Cell;
use Compadre\Core\Data\CsvTable;
use Compadre\Core\Data\SheetRow;
use Compadre\Core\Rope\StoreSheet;
use Compadre\Core\Words\Catalogue;

/** @return list<SheetRow> */
function storeRows(string $text, array $columns = StoreSheet::ROPES): array
{
    return StoreSheet::rows(CsvTable::read($text, 50), $columns);
}

it('reads lengths with their unit, or in that of their column', function (string $cell, ?string $unit, ?float $mm): void {
    expect(Cell::length($cell, $unit))->toBe($mm);
})->with([
    ['30 m', null, 30000.0], ['2,5m', null, 2500.0], ['9.5', 'mm', 9.5], ['3 ft', 'mm', 914.4], ['12"', null, 304.8], ['40cm', 'm', 400.0], ['12', null, null], ['3/8', 'in', null], ['', 'mm', null], ['1e3', 'mm', null], ['-4', 'mm', null], ['1.2.3', 'm', null],
]);

it('reads a store as people write it down', function (): void {
    $rows = storeRows("Rope;Length;Ø (mm);Fiber;How many;Color;Lay;Ends\nBlue line;3,5 m;8;polyamide;4;blue;braid;melted\nHawser;20 m;12 mm;Manila;;;Z;whipping\nLoose end;12;6;;;;;\n;2 m;6;;;;;\nBlue line;1 m;6;;;;;\nThick;1 m;thick;;;;;\nMany;1 m;6;;two;;;\n");
    expect($rows[0]->fault)->toBeNull()->and($rows[0]->data)->toBe(['name' => 'Blue line', 'kind' => 'piece', 'diameter_mm' => 8.0, 'material' => 'nylon', 'lay' => 'braided', 'colour' => 'blue', 'ends' => 'sealed', 'count' => 4, 'taken' => 0, 'length_mm' => 3500]);
    expect($rows[1]->fault)->toBeNull()->and($rows[1]->data)->toMatchArray(['material' => 'natural', 'lay' => 'right', 'ends' => 'whipped', 'colour' => null, 'count' => 1, 'length_mm' => 20000, 'diameter_mm' => 12.0]);
    expect(array_map(fn (SheetRow $row): ?string => $row->fault === null ? null : Catalogue::english()->say($row->fault), array_slice($rows, 2)))->toBe([
        'The length is "12"; allowed: a length with its unit as 30 m or 2500 mm, or a column that names it.', 'The name is missing.', 'Line 2 has the same name: each is to be told apart.',
        'The diameter is "thick"; allowed: a thickness as 10, or 10 mm.', 'The number of them is "two"; allowed: a whole number.',
    ]);
});

it('reads poles, with or without a head', function (): void {
    $expected = ['name' => 'Ash poles', 'diameter_mm' => 60.0, 'count' => 6, 'length_mm' => 2500];
    expect(storeRows("Ash poles,60,2500,6\n", StoreSheet::POLES)[0]->data)->toBe($expected)->and(storeRows("Poles\tHow many\tLength (m)\tThickness\nAsh poles\t6\t2.5\t60 mm\n", StoreSheet::POLES)[0]->data)->toBe($expected);
    expect(storeRows("Ash poles,60,2500,6,oak\n", StoreSheet::POLES)[0]->fault)->toBeNull()->and(storeRows("Ash poles,60,2500,6,,,oak\n", StoreSheet::POLES)[0]->fault?->parameters)->toBe(['more' => 'oak']);
});
