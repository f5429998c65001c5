<?php

declare(strict_types=1);

namespace App\Knots;

use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\View;
use Illuminate\Console\Command;

/**
 * Computes every knot's drawings, views and mistakes, so that the first to open one does not wait.
 */
final class Warm extends Command
{
    protected $signature = 'compadre:warm';

    protected $description = 'Compute the drawings of all knots ahead';

    public function handle(Library $library, KnotView $knots, KnotCompared $compared): int
    {
        foreach ($library->all() as $knot) {
            foreach ($knot->isForAll() ? $knot->methodIds() : [] as $method) {
                $knots->turns($knot->id, $method);
                foreach (View::cases() as $view) {
                    $knots->of($knot->id, $method, $view->value);
                }
                foreach ([View::Learner, View::Left] as $view) {
                    $compared->of($knot->id, $method, $view->value);
                }
            }
        }

        $knots->list();

        return self::SUCCESS;
    }
}
