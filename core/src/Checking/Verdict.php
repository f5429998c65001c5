<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

/**
 * What a check comes to: never "failed", always what to do next.
 */
enum Verdict: string
{
    case HasIt = 'has_it';
    case WithHelp = 'with_help';
    case TieAgain = 'tie_again';
    case TidyIt = 'tidy_it';
    case FeedTail = 'feed_tail';
    case Incomplete = 'incomplete';
}
