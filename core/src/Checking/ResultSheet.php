<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

use Compadre\Core\Data\Cell;
use Compadre\Core\Data\CsvTable;
use Compadre\Core\Data\SheetRow;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Rope\Measure;
use Compadre\Core\Words\Saying;
use DateTimeImmutable;

/**
 * Checks as a table. Four columns are enough for what was noted on paper: day, learner, knot, result; the others hold what a device writes
 * down, so that a table of Compadre's own is read back as it was.
 */
final readonly class ResultSheet
{
    public const MOST = 5000;

    /** In the order in which they are written. */
    public const COLUMNS = [
        'day' => ['day', 'date', 'when', 'on'], 'learner' => ['learner', 'name', 'who', 'display name'], 'knot' => ['knot'],
        'verdict' => ['verdict', 'result', 'outcome', 'passed', 'standing'], 'tying' => ['tying', 'tied'], 'dressing' => ['dressing', 'dressed'], 'tail' => ['tail', 'tail length'],
        'purpose' => ['purpose', 'what for'], 'test' => ['test', 'own test'], 'prompts' => ['prompts', 'hints', 'help'], 'mistake' => ['mistake', 'error'], 'note' => ['note', 'notes', 'remark', 'remarks', 'comment'],
        'measured_mm' => ['measured mm', 'measured', 'tail mm'], 'measured_by' => ['measured by'], 'rope_mm' => ['rope mm', 'rope diameter mm'], 'rope_material' => ['rope material'], 'rope_wet' => ['rope wet', 'wet'], 'rope_width_mm' => ['rope width mm'],
        'took_s' => ['took s', 'seconds'], 'by' => ['by', 'leader', 'checked by', 'checker'], 'kind' => ['kind'], 'method' => ['method'], 'rig' => ['rig'], 'meeting' => ['meeting'],
        'about' => ['about'], 'id' => ['id'], 'device' => ['device'], 'device_seq' => ['device seq'], 'observed_at' => ['observed at'],
    ];

    private const SEEN = [
        '' => Seen::NotLooked, '-' => Seen::NotLooked, 'not looked' => Seen::NotLooked, 'n/a' => Seen::NotApplicable, 'not applicable' => Seen::NotApplicable,
        'yes' => Seen::Yes, 'y' => Seen::Yes, 'x' => Seen::Yes, '1' => Seen::Yes, 'ok' => Seen::Yes, 'good' => Seen::Yes, '✓' => Seen::Yes, 'true' => Seen::Yes,
        'no' => Seen::No, 'n' => Seen::No, '0' => Seen::No, '✗' => Seen::No, 'bad' => Seen::No, 'false' => Seen::No,
    ];

    /** What stands for a verdict where the parts were not written down. */
    private const SAID = [
        'has it' => Verdict::HasIt, 'passed' => Verdict::HasIt, 'pass' => Verdict::HasIt, 'yes' => Verdict::HasIt, 'y' => Verdict::HasIt, 'x' => Verdict::HasIt, 'ok' => Verdict::HasIt, '✓' => Verdict::HasIt, '1' => Verdict::HasIt,
        'with help' => Verdict::WithHelp, 'helped' => Verdict::WithHelp,
        'tie again' => Verdict::TieAgain, 'not yet' => Verdict::TieAgain, 'no' => Verdict::TieAgain, 'n' => Verdict::TieAgain, 'failed' => Verdict::TieAgain, 'fail' => Verdict::TieAgain, '✗' => Verdict::TieAgain, '0' => Verdict::TieAgain,
        'tidy it' => Verdict::TidyIt, 'untidy' => Verdict::TidyIt, 'not dressed' => Verdict::TidyIt, 'feed tail' => Verdict::FeedTail, 'short tail' => Verdict::FeedTail, 'tail too short' => Verdict::FeedTail,
    ];

    /**
     * @param  array<string, string>  $learners  ids by name in lower case
     * @param  array<string, KnotPack>  $knots  those that are checked, by each of their names in lower case and by id
     * @param  array<string, string>  $people  ids by name in lower case
     * @param  array<string, string>  $meetings  ids by day
     * @param  string  $from  the first day that a check can be of
     */
    public function __construct(private array $learners, private array $knots, private array $people, private array $meetings, private string $from, private string $today)
    {
    }

    /**
     * @return list<SheetRow> each as the fields of a check event; its id where the table gives one, its moment where it gives more than
     *                        the day: `at` is how many rows of the same day came before
     */
    public function rows(CsvTable $table): array
    {
        $rows = [];
        $before = [];
        foreach ($table->named(self::COLUMNS) as $line => $cells) {
            $row = $this->row($line, $cells);
            $day = is_string($row->data['day'] ?? null) ? $row->data['day'] : '';
            $before[$day] = ($before[$day] ?? -1) + 1;
            $rows[] = new SheetRow($line, $row->data + ['at' => $before[$day]], $row->fault);
        }

        return $rows;
    }

    /** @param  array<string, string>  $cells */
    private function row(int $line, array $cells): SheetRow
    {
        $cell = static fn (string $column): string => $cells[$column] ?? '';
        $knot = $this->knots[mb_strtolower($cell('knot'))] ?? null;
        $kind = Kind::tryFrom($cell('kind') === '' ? 'result' : mb_strtolower($cell('kind')));
        $data = ['day' => $cell('day'), 'learner' => $this->learners[mb_strtolower($cell('learner'))] ?? null, 'knot' => $knot?->id, 'kind' => $kind?->value];
        $fault = match (true) {
            isset($cells['']) => new Saying('checking.sheet_more', ['more' => $cells['']]),
            ! self::isDay($cell('day')) => new Saying('checking.sheet_day', ['day' => $cell('day')]),
            $cell('day') < $this->from || $cell('day') > $this->today => new Saying('checking.sheet_days', ['day' => $cell('day'), 'from' => $this->from, 'today' => $this->today]),
            $cell('learner') === '' => new Saying('checking.sheet_no_learner'),
            $data['learner'] === null => new Saying('checking.sheet_learner', ['name' => $cell('learner')]),
            $knot === null => new Saying('checking.sheet_knot', ['knot' => $cell('knot')]),
            $kind === null => new Saying('checking.sheet_kind', ['kind' => $cell('kind'), 'kinds' => array_column(Kind::cases(), 'value')]),
            $cell('by') !== '' && ! isset($this->people[mb_strtolower($cell('by'))]) => new Saying('checking.sheet_by', ['name' => $cell('by')]),
            $cell('meeting') !== '' && ! isset($this->meetings[$cell('meeting')]) => new Saying('checking.sheet_meeting', ['day' => $cell('meeting')]),
            default => null,
        };
        if ($fault !== null) {
            return new SheetRow($line, $data, $fault);
        }
        [$seen, $fault] = $this->seen($cells, $knot, $kind);
        [$numbers, $wrong] = self::numbers($cells);
        $data += $seen + $numbers + [
            'by' => $this->people[mb_strtolower($cell('by'))] ?? null, 'meeting' => $this->meetings[$cell('meeting')] ?? null, 'target' => $cell('about') === '' ? null : $cell('about'),
        ];
        foreach (['mistake', 'note', 'method', 'rig', 'id', 'device', 'observed_at'] as $column) {
            $data[$column] = $cell($column) === '' ? null : $cell($column);
        }

        return new SheetRow($line, $data, $fault ?? $wrong);
    }

    /**
     * @param  array<string, string>  $cells
     * @return array{array<string, mixed>, ?Saying} what was seen of each part, and what is wrong with how it is written
     */
    private function seen(array $cells, KnotPack $knot, Kind $kind): array
    {
        $seen = [];
        foreach (['tying', 'dressing', 'tail', 'purpose', 'test'] as $part) {
            $word = self::word($cells[$part] ?? '');
            $found = self::SEEN[$word] ?? null;
            if ($found === null) {
                return [[], new Saying('checking.sheet_part', ['part' => $part, 'said' => $cells[$part]])];
            }
            $seen[$part] = $found;
        }
        $said = self::word($cells['verdict'] ?? '');
        $parts = [];
        if (($cells['tying'] ?? '') === '' && ($cells['dressing'] ?? '') === '' && ($cells['tail'] ?? '') === '' && in_array($kind, [Kind::Result, Kind::Prior, Kind::Overrule], true)) {
            $verdict = self::SAID[$said] ?? null;
            if ($verdict === null) {
                return [[], $said === '' ? new Saying('checking.sheet_nothing_said') : new Saying('checking.sheet_result', ['said' => $cells['verdict']])];
            }
            $parts = self::partsOf($verdict);
        }
        $seen = [...$seen, ...$parts];
        // A part that the knot has not cannot have been looked at.
        $seen['dressing'] = $knot->hasDressing ? $seen['dressing'] : Seen::NotApplicable;
        $seen['tail'] = $knot->hasTail ? $seen['tail'] : Seen::NotApplicable;

        return [array_map(static fn (Seen $one): string => $one->value, $seen) + ($parts !== [] && $said !== '' && self::SAID[$said] === Verdict::WithHelp ? ['prompts' => 1] : []), null];
    }

    /** @return array<string, Seen> what must have been seen, where that was the verdict */
    private static function partsOf(Verdict $verdict): array
    {
        return match ($verdict) {
            Verdict::TieAgain => ['tying' => Seen::No, 'dressing' => Seen::NotLooked, 'tail' => Seen::NotLooked],
            Verdict::TidyIt => ['tying' => Seen::Yes, 'dressing' => Seen::No, 'tail' => Seen::NotLooked],
            Verdict::FeedTail => ['tying' => Seen::Yes, 'dressing' => Seen::Yes, 'tail' => Seen::No],
            default => ['tying' => Seen::Yes, 'dressing' => Seen::Yes, 'tail' => Seen::Yes],
        };
    }

    /**
     * @param  array<string, string>  $cells
     * @return array{array<string, mixed>, ?Saying}
     */
    private static function numbers(array $cells): array
    {
        $data = [];
        foreach (['measured_mm', 'rope_mm', 'rope_width_mm', 'took_s', 'prompts', 'device_seq'] as $column) {
            $cell = $cells[$column] ?? '';
            if ($cell === '') {
                continue;
            }
            $data[$column] = in_array($column, ['prompts', 'device_seq'], true) ? Cell::whole($cell) : Cell::number($cell);
            if ($data[$column] === null) {
                return [[], new Saying('checking.sheet_number', ['column' => str_replace('_', ' ', $column), 'said' => $cell])];
            }
        }
        if (isset($data['measured_mm'])) {
            $by = self::word($cells['measured_by'] ?? '');
            $data += ['how' => How::Measured->value, 'measured_by' => $by === '' ? Measure::Millimetres->value : $by];
        }
        if (isset($data['rope_mm'])) {
            $data['rope'] = ['diameter_mm' => $data['rope_mm'], 'material' => self::word($cells['rope_material'] ?? ''), 'wet' => self::word($cells['rope_wet'] ?? '') === 'yes'] + (isset($data['rope_width_mm']) ? ['width_mm' => $data['rope_width_mm']] : []);
        }
        unset($data['rope_mm'], $data['rope_width_mm']);

        return [$data, null];
    }

    private static function word(string $cell): string
    {
        return trim(str_replace('_', ' ', mb_strtolower($cell)));
    }

    private static function isDay(string $day): bool
    {
        $read = DateTimeImmutable::createFromFormat('!Y-m-d', $day);

        return $read !== false && $read->format('Y-m-d') === $day;
    }
}
