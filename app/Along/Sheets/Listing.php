<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Models\Group;
use App\Models\User;
use Compadre\Core\Refusal;

/**
 * A list that a group takes along as a file, and brings in again.
 */
interface Listing
{
    /** How it is written: table (CSV, or with tabs), ndjson or json. */
    public function form(): string;

    /** The whole list; a table with this between its cells. */
    public function write(Group $group, string $between): string;

    /**
     * @return Looked what taking it in would do; nothing is written
     *
     * @throws Refusal where no row of it can be read
     */
    public function look(User $by, string $bytes): Looked;

    /**
     * Within a transaction.
     *
     * @param  list<Row>  $rows  those that are new here, or otherwise
     */
    public function take(User $by, array $rows): void;
}
