<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Leads plan, award and look after people and settings; instructors teach, check and replan; helpers check only.
 */
enum Role: string
{
    case Lead = 'lead';
    case Instructor = 'instructor';
    case Helper = 'helper';

    public function plans(): bool
    {
        return $this === self::Lead;
    }

    public function teaches(): bool
    {
        return $this !== self::Helper;
    }
}
