<?php

declare(strict_types=1);

namespace App\House;

use App\Models\CheckEvent;
use App\Models\Group;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

/**
 * Says whether the real house still waits for its first visit.
 */
final class SetUpState extends Command
{
    /** Minutes by which a clock may be behind what it has written. */
    private const APART = 5;

    protected $signature = 'compadre:setup-state';

    protected $description = 'Whether a group has been set up';

    public function handle(): int
    {
        $groups = Group::query()->count();
        $group = Group::query()->orderByDesc('created_at')->first();
        if ($group !== null) {
            $this->line($groups === 1 ? "It belongs to {$group->name}: sign in with your own e-mail and password." : "It holds $groups groups: sign in with your own e-mail and password.");
            $this->tellClock($group);
        } elseif (! EmptyHouse::waits()) {
            $this->line('It waits for its first group: sign in as its host, and make a place for one.');
        } else {
            $code = SetUpCode::current();
            $this->line("It is empty. Set up your group with this code:  $code");
            $this->line('or open this address, which carries it:         '.config()->string('app.url')."/#code=$code");
        }

        // Whoever asks quietly wants to know just this.
        return EmptyHouse::waits() && $this->output->isQuiet() ? self::FAILURE : self::SUCCESS;
    }

    /** The computer's clock dates what is written down: where it is behind that already, it must be wrong. */
    private function tellClock(Group $group): void
    {
        $last = CheckEvent::query()->max('received_at');
        $now = CarbonImmutable::now();
        if (is_string($last) && CarbonImmutable::parse($last)->gt($now->addMinutes(self::APART))) {
            $format = 'Y-m-d H:i';
            $this->warn(sprintf(
                'This computer says it is %s, but the last check came in at %s. Set its clock right before you go on: it dates all that is written down.',
                $now->setTimezone($group->time_zone)->format($format), CarbonImmutable::parse($last)->setTimezone($group->time_zone)->format($format),
            ));
        }
    }
}
