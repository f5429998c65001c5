<?php

declare(strict_types=1);

namespace App\Bench;

use App\Http\Words;
use App\Knots\KnotNames;
use Compadre\Core\Compute\ChooseOperation;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Data\Schema;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Choosing\Chooser;
use Compadre\Core\Words\Saying;

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
        $choice = $choose->choose(Fields::of(Json::arrays($job)));

        return [
            'answers' => array_map(fn (array $one): array => $this->knot($one['knot'], $one['reason']) + ['method' => $one['method']], $choice->answers),
            'left_out' => array_map(fn (array $one): array => $this->knot($one['knot'], $one['reason']), $choice->leftOut),
        ];
    }

    /** @return array<string, mixed> */
    private function knot(string $id, Saying $reason): array
    {
        return ['id' => $id, 'name' => $this->names->of($id), 'reason' => Words::asked()->say($reason)];
    }
}
