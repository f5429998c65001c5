<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Office;

use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Saying;

/**
 * Reads what an office answered, and believes no more of it than was asked: awards that nobody sent are left aside, what is said twice counts once,
 * and of what is said both ways nothing is known.
 */
final class Reply
{
    private const RECEIPT = 80;

    private const WORDS = 500;

    /**
     * @param  Fields  $answer  receipts and refused
     * @param  list<string>  $sent
     * @return list<Told> of those that it speaks of, in the order they were sent in
     *
     * @throws Trouble where it is no answer to a list
     */
    public static function ofList(Fields $answer, array $sent): array
    {
        try {
            foreach (['receipts', 'refused'] as $part) {
                $answer->has($part) || throw Refusal::of($answer->place($part), null, 'data.list');
            }
            $taken = self::read($answer->objects('receipts'), static fn (Fields $one): Told => self::taken($one));
            $refused = self::read($answer->objects('refused'), static fn (Fields $one): Told => self::refused($one));
        } catch (Refusal $no) {
            throw Trouble::later(new Saying('awards.trouble_unreadable_answer', ['field' => $no->field]));
        }
        $told = [];
        foreach ($sent as $award) {
            $one = $taken[$award] ?? $refused[$award] ?? null;
            if ($one !== null && ! isset($taken[$award], $refused[$award])) {
                $told[] = $one;
            }
        }

        return $told;
    }

    /**
     * @param  Fields  $answer  awards
     * @param  list<OnList>  $asked
     * @return list<Told> of those that it knows, in the order they were asked for
     *
     * @throws Trouble where it is no answer to a question
     */
    public static function ofAsking(Fields $answer, array $asked): array
    {
        try {
            $answer->has('awards') || throw Refusal::of($answer->place('awards'), null, 'data.list');
            $known = [];
            foreach ($answer->objects('awards') as $one) {
                $known[$one->text('award')] ??= [$one->text('state'), $one->textOrNull('key'), $one];
            }
            $told = [];
            foreach ($asked as $entry) {
                [$state, $key, $one] = $known[$entry->award] ?? [null, null, null];
                if ($one !== null && ($state === 'taken' || $state === 'taken_back')) {
                    $told[] = self::taken($one);
                } elseif ($one !== null && $state === 'refused' && $key === $entry->key) {
                    // Refused under another key, it was an earlier list: since then it was sent again.
                    $told[] = self::refused($one);
                }
            }
        } catch (Refusal $no) {
            throw Trouble::later(new Saying('awards.trouble_unreadable_answer', ['field' => $no->field]));
        }

        return $told;
    }

    /**
     * @param  list<Fields>  $entries
     * @param  callable(Fields): Told  $as
     * @return array<string, Told> by award; the first that is said of each
     */
    private static function read(array $entries, callable $as): array
    {
        $told = [];
        foreach ($entries as $entry) {
            $one = $as($entry);
            $told[$one->award] ??= $one;
        }

        return $told;
    }

    private static function taken(Fields $one): Told
    {
        $receipt = trim($one->text('receipt'));
        if ($receipt === '' || mb_strlen($receipt) > self::RECEIPT) {
            throw Refusal::of($one->place('receipt'), $receipt, 'awards.receipt', ['most' => self::RECEIPT]);
        }

        return new Told($one->text('award'), true, $receipt);
    }

    private static function refused(Fields $one): Told
    {
        $short = static fn (?string $words): ?string => $words === null || trim($words) === '' ? null : mb_strimwidth(trim($words), 0, self::WORDS, '…');

        return new Told($one->text('award'), false, null, $short($one->textOrNull('requirement')), $short($one->textOrNull('reason')));
    }
}
