<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

/**
 * What a measured tail comes to. Long is advice only.
 */
enum TailVerdict: string
{
    case Short = 'short';
    case Borderline = 'borderline';
    case Good = 'good';
    case Long = 'long';
}
