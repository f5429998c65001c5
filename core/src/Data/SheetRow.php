<?php

declare(strict_types=1);

namespace Compadre\Core\Data;

use Compadre\Core\Words\Saying;

/**
 * A row of a table that was read: what it says, or what is wrong with it.
 */
final readonly class SheetRow
{
    /** @param  array<string, mixed>  $data  as the table's own reader gives it */
    public function __construct(public int $line, public array $data, public ?Saying $fault = null)
    {
    }
}
