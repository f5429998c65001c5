<?php

declare(strict_types=1);

namespace App\House;

use App\Models\Group;
use Database\Seeders\GullwickSeeder;
use Illuminate\Console\Command;

/**
 * Fills an empty demo house with the sample scenario; does nothing where there is data, and refuses the real house.
 */
final class SeedDemo extends Command
{
    protected $signature = 'compadre:seed-demo';

    protected $description = 'Fill the demo with the Gullwick Lantern Crew';

    public function handle(GullwickSeeder $seeder): int
    {
        if (config()->string('app.house') === 'group') {
            $this->error('This is your own group: the demo is not written here.');

            return self::FAILURE;
        }
        if (Group::query()->doesntExist()) {
            $seeder->run();
            $this->info('The Gullwick Lantern Crew is here.');
        }

        return self::SUCCESS;
    }
}
