<?php

declare(strict_types=1);

namespace App\Along;

use App\Check\DeriveStandings;
use App\Course\KeptPlan;
use App\Crew\GoneList;
use App\Crew\KeptBoard;
use App\Models\Group;
use Compadre\Core\Refusal;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Throwable;

/**
 * Takes a group in, with all it has and every id as it was: all of it or nothing. What it would do is said by doing it, and taking it back.
 */
final class TakeGroup
{
    /** Rows that are written at a time. */
    private const ROWS = 200;

    /** @var array<string, string> who here is who there, by their id there */
    private array $people = [];

    /** @var array<string, true> learners that were erased, there or here */
    private array $gone = [];

    /** @var array<string, array<string, true>> ids that were read, by table: what else is read may name no others */
    private array $read = [];

    /** @var array<string, array<string, mixed>> what is locked with this house's key, by what it belongs to */
    private array $stays = [];

    public function __construct(private readonly DeriveStandings $derive)
    {
    }

    /**
     * @param  bool  $replaces  a group that is here already gives way to it
     * @param  bool  $yes  else all of it is taken back again
     *
     * @throws Refusal
     */
    public function __invoke(ReadZip $zip, bool $replaces, bool $yes): TakenIn
    {
        $this->people = $this->gone = $this->read = $this->stays = [];
        DB::beginTransaction();
        try {
            $here = Group::query()->whereKey($zip->group)->lockForUpdate()->first();
            if ($here !== null && ! $replaces) {
                throw Refusal::of('/replace', false, 'along.here_already', ['group' => $here->name]);
            }
            $before = TakenIn::stateOf($zip->group);
            $this->remember($zip->group);
            $this->clear($zip->group);
            $this->write($zip, $here !== null);
            $this->hold($zip->group);
            $taken = TakenIn::since($before, $zip, $here !== null);
        } catch (Throwable $fault) {
            DB::rollBack();
            throw $fault instanceof QueryException ? ReadZip::refused('along.zip_contradicts') : $fault;
        }
        $yes ? DB::commit() : DB::rollBack();
        if ($yes) {
            $group = Group::query()->findOrFail($zip->group);
            KeptBoard::forget($group);
            KeptPlan::forget($group);
            GoneList::changed();
        }

        return $taken;
    }

    /** What stays in this house whatever comes in: who was erased, and what its own key has locked. */
    private function remember(string $group): void
    {
        foreach (DB::table('gone_learners')->where('group_id', $group)->pluck('id') as $id) {
            $this->gone[(string) $id] = true;
        }
        foreach (DB::table('signing_keys')->where('group_id', $group)->get(['kid', 'secret']) as $key) {
            $this->stays["key $key->kid"] = ['secret' => $key->secret];
        }
        foreach (DB::table('offices')->where('group_id', $group)->get(['address', 'secret']) as $office) {
            $this->stays["office $office->address"] = ['secret' => $office->secret];
        }
    }

    private function clear(string $group): void
    {
        foreach (['standings', 'practice_cards'] as $table) {
            DB::table($table)->where('group_id', $group)->delete();
        }
        foreach (array_reverse(array_keys(GroupTables::ALONG)) as $table) {
            if ($table !== 'groups' && $table !== 'gone_learners') {
                GroupTables::rows($table, $group)->reorder()->delete();
            }
        }
    }

    private function write(ReadZip $zip, bool $isHere): void
    {
        foreach ($zip->rows('users') as $line => $row) {
            $this->person($row, $line);
        }
        foreach (array_keys(GroupTables::ALONG) as $table) {
            $some = [];
            foreach ($zip->rows($table) as $line => $row) {
                $now = $this->row($zip, $table, $row, $line);
                if ($now === null) {
                    continue;
                }
                $some[] = $now;
                if (count($some) === self::ROWS) {
                    $this->insert($table, $some, $isHere);
                    $some = [];
                }
            }
            $this->insert($table, $some, $isHere);
        }
        if (($this->read['groups'] ?? []) !== [$zip->group => true]) {
            throw ReadZip::refused('along.zip_no_group');
        }
    }

    /**
     * Somebody who is here already, by id or by address, stays who they are; others come without a password.
     *
     * @param  array<mixed>  $row
     */
    private function person(array $row, int $line): void
    {
        [$id, $name, $email] = [$row['id'] ?? null, $row['name'] ?? null, $row['email'] ?? null];
        if (! is_string($id) || ! Str::isUuid($id) || ! is_string($name) || $name === '' || $email !== null && (! is_string($email) || filter_var($email, FILTER_VALIDATE_EMAIL) === false)) {
            throw ReadZip::refused('along.zip_nobody', ['line' => $line]);
        }
        $known = DB::table('users')->where('id', $id)->value('id') ?? ($email === null ? null : DB::table('users')->where('email', $email)->value('id'));
        if ($known === null) {
            DB::table('users')->insert(['id' => $id, 'name' => $name, 'email' => $email, 'password' => null, 'created_at' => $row['created_at'] ?? null, 'updated_at' => $row['updated_at'] ?? null]);
        }
        $this->people[$id] = (string) ($known ?? $id);
    }

    /**
     * @param  array<mixed>  $row
     * @return ?array<string, mixed> null for what is of a learner who was erased
     */
    private function row(ReadZip $zip, string $table, array $row, int $line): ?array
    {
        $columns = GroupTables::columns($table);
        if (array_diff($columns, array_keys($row)) !== [] || count($row) !== count($columns) || array_filter($row, static fn (mixed $value): bool => $value !== null && ! is_scalar($value)) !== []) {
            throw ReadZip::refused('along.zip_no_row', ['line' => $line, 'part' => $table]);
        }
        if (($row[$table === 'groups' ? 'id' : 'group_id'] ?? $zip->group) !== $zip->group) {
            throw ReadZip::refused('along.zip_groups');
        }
        $now = [];
        foreach ($columns as $column) {
            $now[$column] = $row[$column];
        }
        if ($table === 'gone_learners') {
            if (DB::table('gone_learners')->where('id', $now['id'])->where('group_id', '!=', $zip->group)->exists()) {
                throw ReadZip::refused('along.zip_contradicts');
            }
            $this->gone[(string) $now['id']] = true;
        }
        if (isset($this->gone[(string) ($now['learner_id'] ?? '')]) || $table === 'learners' && isset($this->gone[(string) $now['id']])) {
            return null;
        }
        foreach (['learner_id' => 'learners', 'meeting_id' => 'meetings', 'list_id' => 'status_lists'] as $column => $of) {
            if (($now[$column] ?? null) !== null && ! isset($this->read[$of][(string) $now[$column]]) && ! ($table === 'check_events' && $column === 'meeting_id')) {
                throw ReadZip::refused('along.zip_about', ['line' => $line, 'part' => $table]);
            }
        }
        foreach (GroupTables::PEOPLE[$table] ?? [] as $column) {
            if ($now[$column] !== null) {
                $now[$column] = $this->people[(string) $now[$column]] ?? throw ReadZip::refused('along.zip_names', ['line' => $line, 'part' => $table]);
            }
        }
        if (isset($now['id'])) {
            $this->read[$table][(string) $now['id']] = true;
        }

        return $this->own($table, $now + GroupTables::known($table, $zip->group));
    }

    /**
     * With what is locked by this house's key.
     *
     * @param  array<string, mixed>  $row
     * @return array<string, mixed>
     */
    private function own(string $table, array $row): array
    {
        if ($table === 'signing_keys') {
            $kept = $this->stays["key {$row['kid']}"]['secret'] ?? null;
            $row['secret'] = is_string($row['secret']) ? Crypt::encryptString($row['secret']) : ($kept ?? '');
        } elseif ($table === 'offices') {
            $row = [...$row, 'secret' => $this->stays["office {$row['address']}"]['secret'] ?? null, 'token' => null, 'token_until' => null];
        } elseif ($table === 'groups') {
            // Where it is taken in, it lives.
            $row = [...$row, 'calendar_hash' => null, 'left_at' => null];
        }

        return $row;
    }

    /** @param  list<array<string, mixed>>  $rows */
    private function insert(string $table, array $rows, bool $isHere): void
    {
        if ($rows === []) {
            return;
        }
        if ($table === 'groups' && $isHere) {
            DB::table('groups')->where('id', $rows[0]['id'])->update($rows[0]);
        } elseif ($table === 'gone_learners') {
            DB::table($table)->upsert($rows, ['id']);
        } else {
            DB::table($table)->insert($rows);
        }
    }

    /** All that is read of it later is read now: what cannot be is not taken in. */
    private function hold(string $id): void
    {
        try {
            $group = Group::query()->findOrFail($id);
            $group->memory();
            $group->limits()->holdLearners(0, $group->learners()->count());
            $group->shelf();
            $group->rigs();
            foreach (['learners', 'archived', 'meetings', 'ropes', 'poles', 'stocks', 'badges', 'awards'] as $part) {
                $group->{$part}()->get()->each(static fn ($one): array => $one->toArray());
            }
            $this->derive->rebuild($group);
        } catch (QueryException|Refusal $fault) {
            throw $fault;
        } catch (Throwable $fault) {
            throw ReadZip::refused('along.zip_no_read', ['fault' => class_basename($fault)]);
        }
    }
}
