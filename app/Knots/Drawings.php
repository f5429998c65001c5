<?php

declare(strict_types=1);

namespace App\Knots;

use App\Http\Words;
use Compadre\Core\Knots\Library;
use Illuminate\Support\Facades\Cache;

/**
 * What was computed of the packs stays right until a pack, the code that computes it or the words change; each language has its own.
 */
final readonly class Drawings
{
    /** How long they are kept, in seconds: what belongs to packs or code of before goes in the end. */
    private const KEPT = 30 * 86400;

    public function __construct(private Library $library)
    {
    }

    /**
     * @template T
     *
     * @param  callable(): T  $compute
     * @return T
     */
    public function kept(string $what, callable $compute): mixed
    {
        /** @var T */
        return Cache::store('drawings')->remember("$what-{$this->library->stamp()}-".config()->string('app.engine').'-'.Words::language(), self::KEPT, $compute(...));
    }
}
