<?php

declare(strict_types=1);

use PhpParser\Node;
use PhpParser\Node\Expr;
use PhpParser\Node\Scalar\String_;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;
use Symfony\Component\Finder\Finder;

/**
 * What is wrong with the codes in some PHP: those that no message has, and refusals that give a message something else than it asks for.
 *
 * @param  array<string, list<string>>  $codes
 * @param  array<string, true>  $used  the codes that were found, filled here
 * @return list<string>
 */
function answerFaults(string $php, array $codes, array &$used): array
{
    $faults = [];
    $rooms = implode('|', array_unique(array_map(static fn (string $code): string => explode('.', $code)[0], array_keys($codes))));
    $find = new NodeFinder;
    $tree = (new ParserFactory)->createForHostVersion()->parse($php) ?? [];
    foreach ($find->findInstanceOf($tree, String_::class) as $text) {
        // Columns of tables and settings look alike.
        if (preg_match("/^($rooms)\.[a-z0-9_]+$/", $text->value) !== 1 || preg_match('/^(awards\.(id|group_id|meeting_id)|session\.(lifetime|table))$/', $text->value) === 1) {
            continue;
        }
        isset($codes[$text->value]) ? $used[$text->value] = true : $faults[] = "$text->value is no message";
    }
    $calls = $find->find($tree, static fn (Node $node): bool => $node instanceof Expr\New_ && $node->class instanceof Node\Name && $node->class->getLast() === 'Saying'
        || $node instanceof Expr\StaticCall && $node->class instanceof Node\Name && $node->class->getLast() === 'Refusal' && $node->name instanceof Node\Identifier && $node->name->name === 'of');
    foreach ($calls as $call) {
        assert($call instanceof Expr\New_ || $call instanceof Expr\StaticCall);
        $args = array_slice($call->getArgs(), $call instanceof Expr\New_ ? 0 : 2);
        $code = ($args[0] ?? null)?->value;
        $given = ($args[1] ?? null)?->value;
        if ($code instanceof String_ && ($given === null || $given instanceof Expr\Array_)) {
            $names = array_map(static fn (?Node\ArrayItem $item): string => $item?->key instanceof String_ ? $item->key->value : '?', $given?->items ?? []);
            [$asked, $has] = [$codes[$code->value] ?? [], array_values($names)];
            sort($asked);
            sort($has);
            if ($asked !== $has) {
                $faults[] = "$code->value asks for ".implode(', ', $asked).', and is given '.implode(', ', $has);
            }
        }
    }

    return $faults;
}

test('what the core and the server say is in the words: each code is a message, given what it asks for, and no message is left over', function (): void {
    /** What is asked for by each message of words/en/answers, by its code. */
    $codes = saidByNode('answers.mjs');
    expect(count($codes))->toBeGreaterThan(300);
    $used = $faults = [];
    $root = dirname(__DIR__, 2);
    foreach (Finder::create()->in(["$root/core/src", "$root/core/bin", "$root/app", "$root/bootstrap", "$root/database"])->notPath('cache')->files() as $file) {
        foreach (answerFaults($file->getContents(), $codes, $used) as $fault) {
            $faults[] = $file->getRelativePathname().': '.$fault;
        }
    }
    expect($faults)->toBe([])->and(array_keys(array_diff_key($codes, $used)))->toBe([]);
});

test('a code that is no message is found, and a message that lacks what it asks for', function (string $php, array $found): void {
    $used = [];
    expect(answerFaults('<?php '.$php, ['rope.sag' => ['span'], 'rope.none' => []], $used))->toBe($found);
})->with([
    'fine' => ["Refusal::of('/a', 1, 'rope.sag', ['span' => 2]); new Saying('rope.none');", []],
    'unknown' => ["Refusal::of('/a', 1, 'rope.sagg');", ['rope.sagg is no message']],
    'lacking' => ["new Saying('rope.sag');", ['rope.sag asks for span, and is given ']],
    'more' => ["Refusal::of('/a', 1, 'rope.none', ['span' => 2]);", ['rope.none asks for , and is given span']],
    'by another way' => ["\$this->refused('rope.sagg');", ['rope.sagg is no message']],
]);
