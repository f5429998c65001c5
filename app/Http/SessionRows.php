<?php

declare(strict_types=1);

namespace App\Http;

use Carbon\CarbonImmutable;
use Illuminate\Session\DatabaseSessionHandler;

/**
 * Sessions as rows of the database, written where something in them has changed. A page that asks every few seconds how the evening stands
 * changes nothing; each write would have to reach every database of the house. That somebody is still there is written down now and then.
 */
final class SessionRows extends DatabaseSessionHandler
{
    /** For how long a session counts as in use before that is written down again; weeks pass before one ends. */
    public const MINUTES = 5;

    /** @var ?array{id: string, data: string, at: int, user: ?string} what was found in the row, and is still there as far as this request knows */
    private ?array $found = null;

    public function read($sessionId): string
    {
        $this->found = null;
        $row = $this->getQuery()->where('id', $sessionId)->first(['payload', 'last_activity', 'user_id']);
        if ($row === null) {
            return '';
        }
        $this->exists = true;
        if ($this->expired($row)) {
            return '';
        }
        $data = (string) base64_decode((string) $row->payload, true);
        $this->found = ['id' => $sessionId, 'data' => $data, 'at' => (int) $row->last_activity, 'user' => $row->user_id];

        return $data;
    }

    public function write($sessionId, $data): bool
    {
        $is = ['id' => $sessionId, 'data' => $data, 'at' => $this->found['at'] ?? 0, 'user' => $this->userId()];
        $fresh = $is['at'] > CarbonImmutable::now()->subMinutes(self::MINUTES)->getTimestamp();
        if ($this->exists && $fresh && $is === $this->found) {
            return true;
        }
        $this->found = null;

        return parent::write($sessionId, $data);
    }

    public function destroy($sessionId): bool
    {
        $this->found = null;

        return parent::destroy($sessionId);
    }
}
