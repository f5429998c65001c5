<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Sketch;

/**
 * A rig's sketch as its pack describes it: from the side, from the front or from above.
 */
final readonly class SketchPlan
{
    /**
     * @param  list<MarkPlan>  $marks  the hindmost first
     * @param  list<HandlePlan>  $handles
     */
    public function __construct(public string $view, public array $marks, public array $handles)
    {
    }
}
