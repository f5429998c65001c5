<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Data\Fields;

/**
 * A task that a knot is good for.
 */
final readonly class GoodFor
{
    /**
     * @param  string  $task  join, loop, hitch, bind, stop, adjust, lash or shorten
     * @param  list<string>  $to  what it is tied to or round; empty: of no matter
     * @param  int  $rank  1 to 10, the best first
     * @param  string  $turns  a formula of how many turns, wraps or hitches it wants; empty: as drawn
     * @param  bool  $inSlippery  tied in this way it holds in slippery rope though the knot else does not
     * @param  bool  $atAPull  tied in this way a pull lets it go
     */
    private function __construct(public string $task, public array $to, public int $rank, public ?string $method, public string $turns, public bool $inSlippery, public bool $atAPull, public string $why)
    {
    }

    public static function from(Fields $pack): self
    {
        return new self($pack->text('task'), $pack->texts('to'), $pack->whole('rank'), $pack->textOrNull('method'), $pack->text('turns', ''), $pack->flag('slippery'), $pack->flag('pull'), $pack->text('why'));
    }
}
