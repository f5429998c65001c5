<?php

declare(strict_types=1);

namespace App\Knots;

use App\Http\PlainCode;
use App\Models\Remote;
use App\Models\User;
use Carbon\CarbonImmutable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;

/**
 * Hands a room's screen to a phone: a code of six characters, good for ten minutes, five wrong tries and one phone. What the phone
 * then holds is a token of 128 bits; it carries a knot, a step and a side, ends with the evening, and opens nothing else.
 */
final readonly class HandRemote
{
    private const LENGTH = 6;

    private const TRIES = 5;

    private const CODE_MINUTES = 10;

    private const HOURS = 4;

    public function __construct(private Library $library)
    {
    }

    /** @return array{code: string, until: string, remote: array<string, mixed>} */
    public function offer(User $by, Fields $shown): array
    {
        $now = CarbonImmutable::now();
        Remote::query()->where('ends_at', '<', $now)->delete();
        $code = PlainCode::make(self::LENGTH);
        $remote = Remote::query()->create([
            'user_id' => $by->id, 'code_hash' => Remote::hash($code), 'code_until' => $now->addMinutes(self::CODE_MINUTES), 'ends_at' => $now->addHours(self::HOURS),
            'tries' => 0, 'turn' => 0,
        ] + $this->place($shown));

        return ['code' => $code, 'until' => $remote->code_until->toIso8601ZuluString(), 'remote' => $remote->state()];
    }

    /**
     * @return array{token: string, remote: array<string, mixed>}
     *
     * @throws Refusal for a code that is wrong, used or too old; it counts against every screen that waits for a phone
     */
    public function take(string $code): array
    {
        $code = strtoupper(trim($code));
        $open = Remote::query()->whereNull('token_hash')->where('code_until', '>', CarbonImmutable::now())->where('tries', '<', self::TRIES);
        $token = bin2hex(random_bytes(16));
        // One phone only: the row is taken where nobody has taken it yet.
        $taken = (clone $open)->where('code_hash', Remote::hash($code))->update(['token_hash' => Remote::hash($token)]);
        if ($taken !== 1) {
            $open->update(['tries' => DB::raw('tries + 1')]);

            throw Refusal::of('/code', $code, 'knots.room_code');
        }

        return ['token' => $token, 'remote' => $this->held($token)->state()];
    }

    public function held(string $token): Remote
    {
        return Remote::query()->where('token_hash', Remote::hash($token))->where('ends_at', '>', CarbonImmutable::now())->firstOrFail();
    }

    public function show(Remote $remote, Fields $shown): Remote
    {
        $place = $this->place($shown);
        if ($place !== ['knot' => $remote->knot, 'step' => $remote->step, 'steps' => $remote->steps]) {
            $remote->update($place + ['turn' => $remote->turn + 1]);
        }

        return $remote;
    }

    /** A phone turns the page within the knot that is shown. */
    public function turn(Remote $remote, int $step): Remote
    {
        return $this->show($remote, Fields::of(['knot' => $remote->knot, 'step' => $step, 'steps' => $remote->steps]));
    }

    /**
     * A phone turns the knot in space.
     *
     * @param  int  $yaw  degrees to the right, -180 to 180
     * @param  int  $pitch  degrees, its top away from the room, -85 to 85
     */
    public function turnTo(Remote $remote, int $yaw, int $pitch): Remote
    {
        if ([$yaw, $pitch] !== [$remote->yaw, $remote->pitch]) {
            $remote->update(['yaw' => $yaw, 'pitch' => $pitch, 'turn' => $remote->turn + 1]);
        }

        return $remote;
    }

    /** @return array{knot: string, step: int, steps: int} */
    private function place(Fields $shown): array
    {
        $steps = $shown->whole('steps');
        $step = $shown->whole('step');
        if ($step > $steps) {
            throw Refusal::of('/step', $step, 'any.from_to', ['least' => 1, 'most' => $steps]);
        }

        return ['knot' => $this->library->forLearners($shown->text('knot'))->id, 'step' => $step, 'steps' => $steps];
    }
}
