<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\House\Badges\KeepBadge;
use App\Http\Words;
use App\Models\Group;
use App\Models\GroupBadge;
use App\Models\OwnBadge;
use App\Models\User;
use Compadre\Core\Data\Fields;
use Compadre\Core\Words\Saying;

/**
 * The badges a group has written, every version of them, and those it works toward.
 */
final readonly class BadgeFile extends TriedFile
{
    public const FORMAT = 'compadre-badges';

    public function __construct(private KeepBadge $keep, private JsonFile $file)
    {
    }

    public function write(Group $group, string $between): string
    {
        return JsonFile::write(self::FORMAT, [
            'badges' => $group->badgePacks()->orderBy('badge')->orderBy('version')->get()->map(static fn (OwnBadge $one): array => $one->pack)->all(),
            'chosen' => $group->badges()->get()->map(static fn (GroupBadge $one): array => ['badge' => $one->badge, 'due_on' => $one->due_on, 'firm' => $one->firm])->all(),
        ]);
    }

    protected function rows(User $by, string $bytes): array
    {
        $file = $this->file->read($bytes, self::FORMAT, 'BadgesFile', 'badges');
        $words = Words::asked();
        $here = [];
        foreach ($by->group->badgePacks()->get() as $one) {
            $here["$one->badge $one->version"] = ['pack' => $one->pack];
        }
        $rows = [];
        foreach ($file->objects('badges') as $pack) {
            $version = $pack->whole('version', 1);
            $rows[] = Row::good(count($rows) + 1, $words->say(new Saying('along.badge_version', ['badge' => $pack->text('name', $pack->text('id')), 'version' => $version])), ['pack' => $pack->raw()], $here["{$pack->text('id')} $version"] ?? null);
        }
        foreach ($file->has('chosen') ? $file->objects('chosen') : [] as $chosen) {
            $now = $by->group->badges()->where('badge', $chosen->text('badge'))->first();
            $data = ['badge' => $chosen->text('badge'), 'due_on' => $chosen->textOrNull('due_on'), 'firm' => $chosen->flag('firm', true)];
            $rows[] = Row::good(count($rows) + 1, $words->say($data['due_on'] === null ? new Saying('along.badge_chosen', ['badge' => $data['badge']]) : new Saying('along.badge_chosen_by', ['badge' => $data['badge'], 'day' => $data['due_on']])), $data, $now === null ? null : ['badge' => $now->badge, 'due_on' => $now->due_on, 'firm' => $now->firm]);
        }

        return $rows;
    }

    protected function keepOne(User $by, Row $row): void
    {
        $data = Fields::of($row->data);
        $data->has('pack')
            ? $this->keep->save($by, array_diff_key($data->object('pack')->raw(), ['version' => 1]))
            : $this->keep->choose($by->group, $data->text('badge'), $data->textOrNull('due_on'), $data->flag('firm'));
    }
}
