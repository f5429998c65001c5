<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\House\KeepHouse;
use App\Models\Group;
use App\Models\Rope;
use App\Models\User;
use Compadre\Core\Data\Fields;
use Compadre\Core\Words\Saying;

/**
 * A group's own ways: how it ties, judges tails and plans; and its ropes.
 */
final readonly class WaysFile extends TriedFile
{
    public const FORMAT = 'compadre-ways';

    private const WAYS = ['units', 'words', 'tail_school', 'backup', 'old_share', 'new_knots', 'methods'];

    public function __construct(private KeepHouse $keep, private ApiRow $api, private JsonFile $file)
    {
    }

    public function write(Group $group, string $between): string
    {
        return JsonFile::write(self::FORMAT, ['ways' => ['methods' => (object) ($group->methods ?? [])] + self::ways($group), 'ropes' => array_values(self::ropes($group))]);
    }

    protected function rows(User $by, string $bytes): array
    {
        $file = $this->file->read($bytes, self::FORMAT, 'WaysFile', 'ropes');
        [$ways, $ropes] = [self::ways($by->group), self::ropes($by->group)];
        $rows = [];
        foreach ($file->has('ways') ? $file->object('ways')->raw() : [] as $way => $value) {
            $body = [$way => $way === 'methods' ? (object) (is_array($value) ? $value : []) : $value];
            $says = str_replace('_', ' ', (string) $way).': '.(is_scalar($value) ? json_encode($value, JSON_UNESCAPED_UNICODE) : (is_array($value) ? count($value) : 'none'));
            $fault = in_array($way, self::WAYS, true) ? $this->api->fault('PUT', '/api/group', $body) : new Saying('along.no_way');
            $rows[] = $fault !== null ? Row::bad(count($rows) + 1, $says, $fault) : Row::good(count($rows) + 1, $says, [$way => $value], [$way => $ways[$way]]);
        }
        foreach ($file->has('ropes') ? $file->objects('ropes') : [] as $rope) {
            $fault = $this->api->fault('POST', '/api/ropes', $rope->raw());
            $says = 'Rope: '.(is_scalar($rope->raw()['name'] ?? null) ? (string) $rope->raw()['name'] : '');
            $rows[] = $fault !== null ? Row::bad(count($rows) + 1, $says, $fault) : Row::good(count($rows) + 1, $says, ['rope' => $rope->raw()], isset($ropes[$rope->text('name')]) ? ['rope' => $ropes[$rope->text('name')]] : null);
        }

        return $rows;
    }

    protected function keepOne(User $by, Row $row): void
    {
        $data = Fields::of($row->data);
        if ($data->has('rope')) {
            $rope = $data->object('rope');
            $this->keep->rope($by->group, $by->group->ropes()->where('name', $rope->text('name'))->first(), $rope);
        } else {
            $this->keep->change($by->group, $data);
        }
    }

    /** @return array<string, mixed> */
    private static function ways(Group $group): array
    {
        return [
            'units' => $group->units, 'words' => $group->words, 'tail_school' => $group->tail_school->value, 'backup' => $group->backup,
            'old_share' => $group->old_share, 'new_knots' => $group->new_knots, 'methods' => $group->methods ?? [],
        ];
    }

    /** @return array<string, array<string, mixed>> by name */
    private static function ropes(Group $group): array
    {
        return $group->ropes()->get()->mapWithKeys(static fn (Rope $rope): array => [$rope->name => array_diff_key($rope->about(), ['id' => 1])])->all();
    }
}
