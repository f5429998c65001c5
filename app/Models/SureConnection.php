<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\MariaDbConnection;
use Throwable;

/**
 * The connection to the database, which tells an act that was not done from one of which nobody knows.
 */
final class SureConnection extends MariaDbConnection
{
    private int $commits = 0;

    /** How many transactions it has committed, or may have. */
    public function commits(): int
    {
        return $this->commits;
    }

    /** Begins anew, with whatever database answers now; what was under way is undone. */
    public function startOver(): void
    {
        $this->transactions = 0;
        $this->transactionsManager?->rollback((string) $this->getName(), 0);
        $this->reconnect();
    }

    public function commit(): void
    {
        try {
            parent::commit();
        } catch (Throwable $fault) {
            throw $this->transactions <= 1 ? $this->said($fault) : $fault;
        }
    }

    /**
     * @param  string  $event
     * @return ?array<mixed> what listeners said
     */
    protected function fireConnectionEvent($event): ?array
    {
        if ($event === 'committed' && $this->transactions === 0) {
            $this->commits++;
        }

        return parent::fireConnectionEvent($event);
    }

    /** @param  int  $currentAttempt */
    protected function handleCommitTransactionException(Throwable $e, $currentAttempt, $maxAttempts): void
    {
        $said = $this->said($e);
        if ($said !== $e) {
            $this->transactions = 0;
            throw $said;
        }
        parent::handleCommitTransactionException($e, $currentAttempt, $maxAttempts);
    }

    /** What is to be thrown for a commit that failed. */
    private function said(Throwable $fault): Throwable
    {
        // Where the server ended the transaction and nobody heard of it, what came after may be kept by itself.
        if (Setback::of($fault) !== Setback::Away && $fault->getMessage() !== 'There is no active transaction') {
            return $fault;
        }
        $this->commits++;

        return new UnknownOutcome($fault);
    }
}
