<?php

declare(strict_types=1);

namespace App\Bench;

use App\Knots\KnotNames;
use Compadre\Core\Compute\ChooseOperation;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Data\Schema;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Choosing\Chooser;

/**
 * Which knot for this? The job as JSON in the address.
 */
final readonly class WhichKnot
{
    public function __construct(private Library $library, private Chooser $chooser, private KnotNames $names)
    {
    }

    /**
     * @param  array<array-key, mixed>  $query
     * @return array<string, mixed>
     */
    public function of(array $query): array
    {
        $text = $query['job'] ?? null;
        $job = Json::read(is_string($text) ? $text : throw Refusal::of('/job', $text, 'bench.job'), '/job');
        $choose = new ChooseOperation($this->chooser, $this->library);
        Schema::hold($job, $choose->input());
        $answer = Fields::of(Json::arrays($choose->run(Fields::of(Json::arrays($job)))));

        return [
            'answers' => array_map(fn (Fields $one): array => $this->knot($one) + ['method' => $one->textOrNull('method')], $answer->objects('answers')),
            'left_out' => array_map($this->knot(...), $answer->objects('left_out')),
        ];
    }

    /** @return array<string, mixed> */
    private function knot(Fields $one): array
    {
        return ['id' => $one->text('knot'), 'name' => $this->names->of($one->text('knot')), 'reason' => $one->text('reason')];
    }
}
