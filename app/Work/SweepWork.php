<?php

declare(strict_types=1);

namespace App\Work;

use App\Models\KeptFile;
use App\Models\Work;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/**
 * Wakes whoever is to do work that nobody came for: its wake-up call was lost, or whoever did it is gone. Work that has long been done goes, files that nobody fetched, and sessions that have ended.
 */
final class SweepWork extends Command
{
    /** Days that work is remembered for once it is done. */
    private const REMEMBERED = 30;

    protected $signature = 'compadre:sweep-work';

    protected $description = 'Take up work that was left';

    public function handle(): int
    {
        $now = CarbonImmutable::now();
        $left = Work::query()->where(fn ($due) => $due->where('state', 'waiting')->where('wake_at', '<=', $now->subSeconds(2)))
            ->orWhere(fn ($held) => $held->where('state', 'running')->where('held_until', '<', $now))->orderBy('wake_at')->limit(100)->pluck('id');
        foreach ($left as $id) {
            DoWork::dispatch((string) $id);
        }
        Work::query()->where('state', 'done')->where('updated_at', '<', $now->subDays(self::REMEMBERED))->delete();
        KeptFile::sweep();
        DB::table('sessions')->where('last_activity', '<', $now->subMinutes(config()->integer('session.lifetime'))->getTimestamp())->delete();
        $this->line("{$left->count()} taken up.");

        return self::SUCCESS;
    }
}
