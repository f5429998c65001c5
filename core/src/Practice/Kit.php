<?php

declare(strict_types=1);

namespace Compadre\Core\Practice;

use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\View;
use Compadre\Core\Mistakes\Found;
use Compadre\Core\Words\Catalogue;

/**
 * All that a learner may be asked of one knot, with every picture it takes: what a device keeps, so that it needs no network.
 */
final readonly class Kit
{
    /** Seeds tried for each kind; what two of them ask alike is kept once. */
    public const SEEDS = 4;

    /** An open crossing is shown with the end so many rope widths before it. */
    private const BEFORE = 1.4;

    public function __construct(private TaskMaker $maker, private Drawn $drawn, private Catalogue $words)
    {
    }

    /**
     * @param  'left'|'right'  $hand  of a left-handed learner everything is drawn as its mirror image
     * @return array{tasks: list<array<string, mixed>>, forms: array<string, array<string, mixed>>, table: ?array<string, mixed>, known: array<string, array<string, mixed>>}
     *     tasks whose options name forms by their key, and the drawings by key; the table to draw the knot on, null where nothing could be
     *     said of it, and what is said of each drawing that is known
     */
    public function of(KnotPack $knot, Method $method, string $hand): array
    {
        $view = View::forHand($hand);
        $sample = $this->maker->sample($knot, $method, $view);
        $pictures = new Pictures($sample, $view);
        $tasks = [];
        foreach (TaskKind::cases() as $kind) {
            for ($seed = 0; $seed < self::SEEDS; $seed++) {
                $task = $this->maker->made($kind, $knot, $method, $seed, $view);
                $shown = $task === null ? null : $this->shown($task, $sample, $pictures);
                if ($task !== null && $shown !== null) {
                    $tasks[self::key($task)] ??= ['id' => "$kind->value-$seed"] + $shown;
                }
            }
        }

        return [
            'tasks' => array_values($tasks), 'forms' => $pictures->drawn(), 'table' => $sample->isTold() ? Table::of($knot, $method, $view) : null,
            'known' => $sample->isTold() ? $this->known($sample, $view) : [],
        ];
    }

    /** @return array<string, array<string, mixed>> */
    private function known(Sample $sample, View $view): array
    {
        $wrong = array_map(static fn (Found $found): array => $found->slip->flips ?? [], $sample->wrong());

        return array_map(fn (array $said): array => ['says' => $this->words->say($said['says'])] + $said, $this->drawn->known($sample->knot, $sample->method, $view, $wrong));
    }

    /** Two that offer the same things in another order are one task. */
    private static function key(Task $task): string
    {
        $options = array_map(static fn (array $option): string => (string) json_encode($option), $task->options);
        sort($options);

        return (string) json_encode([$task->kind->value, $task->question, $task->shows, $options]);
    }

    /** @return ?array<string, mixed> null where a picture it takes cannot be drawn */
    private function shown(Task $task, Sample $sample, Pictures $pictures): ?array
    {
        $shows = [];
        if (isset($task->shows['words'])) {
            $shows['form'] = $pictures->ofWords($task->shows['words']);
        }
        if (isset($task->shows['crossing'], $task->shows['step'])) {
            $shows['form'] = Pictures::RIGHT;
            $shows['at'] = $pictures->place($task->shows['crossing']);
            $shows['moment'] = $pictures->before($task->shows['crossing'], $task->shows['step'], self::BEFORE);
        }
        $options = [];
        $open = $task->shows['crossing'] ?? 0;
        foreach ($task->options as $place => $option) {
            $options[] = match (true) {
                isset($option['words']) => ['form' => $pictures->ofWords($option['words']), 'spoken' => $this->words->say($pictures->spoken($option['words']))],
                isset($option['crossing']) => ['at' => $pictures->place($option['crossing']), 'spoken' => $this->words->say($pictures->spokenPlace($option['crossing']))],
                isset($option['step']) => ['step' => $option['step'], 'spoken' => $sample->say($option['step'])],
                isset($option['knot']) => ['knot' => $option['knot']],
                $place === $task->answer => ['say' => $option['say'] ?? '', 'form' => Pictures::RIGHT],
                default => ['say' => $option['say'] ?? '', 'form' => $pictures->ofFlips([$open]), 'becomes' => $sample->outcome([$open])->knot],
            };
        }
        $wanted = [...array_column($options, 'form'), ...array_intersect_key($shows, ['form' => 0])];
        if ($task->kind !== TaskKind::OverUnder && in_array(null, $wanted, true)) {
            return null;
        }

        return ['kind' => $task->kind->value, 'question' => $this->words->say($task->question), 'options' => $options, 'answer' => $task->answer, 'reason' => $this->words->say($task->reason), 'shows' => (object) $shows];
    }
}
