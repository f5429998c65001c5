<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

use Compadre\Core\Data\Cell;
use Compadre\Core\Data\CsvTable;
use Compadre\Core\Data\SheetRow;
use Compadre\Core\Words\Saying;

/**
 * Ropes of a store, or poles, as a table. Numbers alone are in the unit their column names; others say theirs: 30 m, 9.5 mm, 3/8 is none.
 */
final class StoreSheet
{
    public const MOST = 500;

    /** What a rope in a store is, in the order of a table without a head. */
    public const ROPES = [
        'name' => ['name', 'rope', 'what', 'item'], 'kind' => ['kind', 'coil or piece', 'type'], 'diameter_mm' => ['diameter mm', 'diameter', 'thickness', 'thickness mm', 'ø', 'ø mm'],
        'material' => ['material', 'fibre', 'fiber'], 'lay' => ['lay', 'build', 'construction'], 'colour' => ['colour', 'color'], 'ends' => ['ends', 'end', 'finish'],
        'length_mm' => ['length mm'], 'count' => ['count', 'number', 'quantity', 'how many', 'pieces'], 'taken' => ['taken', 'out', 'in use'], 'length' => ['length', 'how long'], 'length_m' => ['length m', 'metres', 'meters'],
    ];

    public const POLES = [
        'name' => ['name', 'poles', 'pole', 'what', 'item'], 'diameter_mm' => ['diameter mm', 'diameter', 'thickness', 'thickness mm', 'ø', 'ø mm'], 'length_mm' => ['length mm'],
        'count' => ['count', 'number', 'quantity', 'how many', 'pieces'], 'length' => ['length', 'how long'], 'length_m' => ['length m', 'metres', 'meters'],
    ];

    private const WORDS = [
        'kind' => ['coils' => 'coil', 'spool' => 'coil', 'hank' => 'coil', 'pieces' => 'piece', 'length' => 'piece'],
        'lay' => ['z' => 'right', 's' => 'left', 'right-laid' => 'right', 'left-laid' => 'left', 'right laid' => 'right', 'left laid' => 'left', 'braid' => 'braided', 'kernmantle' => 'braided'],
        'ends' => ['whipping' => 'whipped', 'tape' => 'taped', 'melted' => 'sealed', 'fused' => 'sealed', 'none' => 'bare', 'cut' => 'bare'],
        'material' => ['hemp' => 'natural', 'manila' => 'natural', 'sisal' => 'natural', 'cotton' => 'natural', 'jute' => 'natural', 'polyamide' => 'nylon', 'pp' => 'polypropylene', 'uhmwpe' => 'hmpe'],
    ];

    /** What a cell that is left empty, or has no column, stands for. */
    private const USUAL = ['kind' => 'piece', 'material' => 'polyester', 'lay' => 'braided', 'ends' => 'bare', 'count' => '1', 'taken' => '0'];

    /**
     * @param  array<string, list<string>>  $columns  ROPES or POLES
     * @return list<SheetRow> numbers as numbers, null for what is left empty; what is allowed of each is for whoever keeps them to say
     */
    public static function rows(CsvTable $table, array $columns): array
    {
        $rows = [];
        $seen = [];
        foreach ($table->named($columns) as $line => $cells) {
            $row = self::row($line, $cells, $columns);
            $key = mb_strtolower(is_string($row->data['name']) ? $row->data['name'] : '');
            $rows[] = $row->fault === null && isset($seen[$key]) ? new SheetRow($line, $row->data, new Saying('rope.store_same_name', ['line' => $seen[$key]])) : $row;
            $seen += [$key => $line];
        }

        return $rows;
    }

    /**
     * @param  array<string, string>  $cells
     * @param  array<string, list<string>>  $columns
     */
    private static function row(int $line, array $cells, array $columns): SheetRow
    {
        $data = ['name' => $cells['name'] ?? ''];
        $fault = isset($cells['']) ? new Saying('rope.store_more', ['more' => $cells['']]) : null;
        foreach (array_diff(array_keys($columns), ['name', 'length', 'length_m', 'length_mm']) as $column) {
            $cell = mb_strtolower($cells[$column] ?? '');
            $cell = $cell === '' ? self::USUAL[$column] ?? '' : self::WORDS[$column][$cell] ?? $cell;
            $data[$column] = match ($column) {
                'diameter_mm' => Cell::length($cell, 'mm'),
                'count', 'taken' => Cell::whole($cell),
                'colour' => ($cells['colour'] ?? '') === '' ? null : $cells['colour'],
                default => $cell,
            };
            if ($data[$column] === null && $column !== 'colour') {
                $fault ??= match (true) {
                    $column === 'diameter_mm' => $cell === '' ? new Saying('rope.store_no_diameter') : new Saying('rope.store_diameter_is', ['diameter' => $cell]),
                    default => $cell === '' ? new Saying('rope.store_no_count') : new Saying('rope.store_count_is', ['count' => $cell]),
                };
            }
        }
        $length = self::length($cells);
        if ($length === null) {
            $fault ??= new Saying('rope.store_length_is', ['length' => implode('', array_intersect_key($cells, ['length_mm' => 1, 'length' => 1, 'length_m' => 1]))]);
        }

        return new SheetRow($line, $data + ['length_mm' => $length === null ? null : (int) round($length)], $fault ?? ($data['name'] === '' ? new Saying('data.row_name') : null));
    }

    /** @param  array<string, string>  $cells */
    private static function length(array $cells): ?float
    {
        foreach (['length_mm' => 'mm', 'length_m' => 'm', 'length' => null] as $column => $unit) {
            if (($cells[$column] ?? '') !== '') {
                return Cell::length($cells[$column], $unit);
            }
        }

        return null;
    }
}
