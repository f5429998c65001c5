<?php

declare(strict_types=1);

namespace App\Host;

use App\Http\PlainCode;
use App\Models\Place;
use Carbon\CarbonImmutable;
use Compadre\Core\Data\Fields;
use Illuminate\Support\Facades\Log;

/**
 * Room for one more group, by a code that is said once: whoever has it sets the group up, or brings it along.
 */
final class KeepPlaces
{
    private const LENGTH = 12;

    private const DAYS = 14;

    /** @return array{id: string, code: string, name: string, expires_at: string} */
    public function make(Fields $asked): array
    {
        $code = PlainCode::make(self::LENGTH);
        $place = Place::query()->create([
            'name' => trim($asked->text('name')), 'code_hash' => Place::hash($code), 'learners_most' => $asked->wholeOrNull('learners_most'),
            'people_most' => $asked->wholeOrNull('people_most'), 'expires_at' => CarbonImmutable::now()->addDays(self::DAYS),
        ]);
        Log::notice("A place was made: $place->id.");

        return ['id' => $place->id, 'code' => PlainCode::inFours($code), 'name' => $place->name, 'expires_at' => $place->expires_at->toIso8601ZuluString()];
    }

    public function withdraw(Place $place): void
    {
        $place->delete();
        Log::notice("A place was withdrawn: $place->id.");
    }
}
