<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\JsonResponse;

/**
 * Many answers in one, for a device to keep each at its own address.
 */
final class AnswersToKeep
{
    /**
     * @param  iterable<string, array<string, mixed>>  $answers  by their addresses
     * @param  float  $patience  after so many seconds it is answered with those there are by then; only where what was computed is kept,
     *                           so that whoever asks again gets further
     */
    public static function of(iterable $answers, float $patience = INF): JsonResponse
    {
        $until = microtime(true) + $patience;
        $isWhole = true;
        // Written one by one: all of them at once, as arrays, are more than a request may hold.
        $written = [];
        foreach ($answers as $address => $answer) {
            if (microtime(true) > $until) {
                $isWhole = false;
                break;
            }
            $written[] = json_encode(['address' => $address, 'answer' => $answer], JSON_THROW_ON_ERROR | JsonResponse::DEFAULT_ENCODING_OPTIONS);
        }

        return JsonResponse::fromJsonString('{"answers":['.implode(',', $written).'],"whole":'.json_encode($isWhole).'}');
    }
}
