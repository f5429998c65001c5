<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Http\Words;
use Compadre\Core\Words\Saying;

/**
 * A row of what was brought, and what taking it in would do.
 */
final readonly class Row
{
    /**
     * @param  string  $says  what it is about, for whoever looks
     * @param  'new'|'other'|'same'|'bad'  $state  new here; here, and otherwise; here as it is; not to be taken in
     * @param  array<string, mixed>  $data  what is kept of it
     */
    private function __construct(public int $line, public string $says, public string $state, public ?Saying $fault = null, public array $data = [])
    {
    }

    public static function bad(int $line, string $says, Saying $fault): self
    {
        return new self($line, $says, 'bad', $fault);
    }

    /**
     * @param  array<string, mixed>  $data
     * @param  ?array<string, mixed>  $here  what is here under the same name; null for nothing
     */
    public static function good(int $line, string $says, array $data, ?array $here): self
    {
        // 10 and 10.0 are the same rope.
        return new self($line, $says, $here === null ? 'new' : (array_intersect_key($here, $data) == array_intersect_key($data, $here) ? 'same' : 'other'), null, $data);
    }

    /** Whether there is anything to be done about it. */
    public function isToTake(): bool
    {
        return $this->state === 'new' || $this->state === 'other';
    }

    /** @return array{line: int, says: string, state: string, fault: ?string} */
    public function about(): array
    {
        return ['line' => $this->line, 'says' => $this->says, 'state' => $this->state, 'fault' => $this->fault === null ? null : Words::asked()->say($this->fault)];
    }
}
