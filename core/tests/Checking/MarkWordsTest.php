<?php

declare(strict_types=1);

use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\MarkWords;
use Compadre\Core\Checking\Seen;
use Compadre\Core\Checking\Verdict;

it('says a standing as it is', function (?Level $level, Verdict $verdict, array $parts, int $prompts, bool $due, string $words): void {
    expect(MarkWords::of($level, $verdict, $parts[0], $parts[1], $parts[2], $prompts, $due))->toBe($words);
})->with([
    'clean' => [Level::HasIt, Verdict::HasIt, [Seen::Yes, Seen::Yes, Seen::Yes], 0, false, 'Has it: tying right, dressing right, tail right.'],
    'kept and fading' => [Level::Kept, Verdict::HasIt, [Seen::Yes, Seen::Yes, Seen::Yes], 0, true, 'Kept: tying right, dressing right, tail right; due again.'],
    'a stumble after having it' => [Level::HasIt, Verdict::TidyIt, [Seen::Yes, Seen::No, Seen::NotLooked], 0, false, 'Has it; last time tying right, dressing not right yet, tail not looked at.'],
    'with help' => [Level::WithHelp, Verdict::WithHelp, [Seen::Yes, Seen::Yes, Seen::NotApplicable], 1, false, 'With help: tying right with help, dressing right with help.'],
    'not yet' => [Level::Seen, Verdict::TieAgain, [Seen::No, Seen::NotLooked, Seen::NotLooked], 0, false, 'Not yet: tying not right yet, dressing not looked at, tail not looked at.'],
    'begun' => [null, Verdict::Incomplete, [Seen::Yes, Seen::NotLooked, Seen::Yes], 0, false, 'Begun: tying right, dressing not looked at, tail right.'],
]);
