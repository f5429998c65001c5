<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Data\Schema;
use Compadre\Core\Knots\Library;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Practice\TaskMaker;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Choosing\Chooser;
use Compadre\Core\Rigs\Friction;
use Compadre\Core\Rigs\RigShelf;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Space\FormFile;

/**
 * Every computation as JSON in, JSON out.
 */
final class Command
{
    /** @var array<string, Operation> */
    private array $operations = [];

    /** @param  string  $packs the folder of packs */
    public function __construct(string $packs)
    {
        $library = Library::at($packs);
        $rope = Fields::of(Json::arrays(Json::file($packs.'/materials/rope.json')));
        $tails = TailRule::fromPack($rope);
        $forms = new FormFile($packs);
        $friction = Friction::fromPack($rope);
        // Each is built when something is first looked up in it.
        $index = KnotIndex::of($library);
        $forLearners = KnotIndex::forLearners($library);
        $chooser = new Chooser($library, $tails, $friction);
        foreach ([new KnotsOperation($library), new KnotOperation($library), new JonesOperation, new MistakesOperation($library, $index, $forLearners), new NameOperation($library, $index, $forLearners), new TailOperation($library, $tails), new RopeUseOperation($library, $tails, $forms), new CutOperation, new LashingOperation, new LineOperation, new FrictionOperation($friction), new PlanOperation($library), new DueOperation($library), new VerdictOperation($library, $tails), new SpaceOperation($library, $forms, $friction), new RigOperation(RigShelf::at($packs, $library), $library, $tails, $friction, $forms), new ChooseOperation($chooser, $library), new PracticeOperation($library, new TaskMaker($library, $forLearners, $chooser)), new VerifyOperation] as $operation) {
            $this->operations[$operation->name()] = $operation;
        }
    }

    /** The operations with their schemas, as JSON. */
    public function list(): string
    {
        $operations = array_map(static fn (Operation $operation): array => ['input' => $operation->input(), 'output' => $operation->output()], $this->operations);

        return Json::write(['operations' => (object) $operations]);
    }

    /** @throws Refusal naming the field, the value and what is allowed */
    public function run(string $name, string $input): string
    {
        $operation = $this->operations[$name] ?? throw Refusal::of('', $name, 'compute.operation', ['list' => array_keys($this->operations)]);
        $data = Json::read($input);
        Schema::hold($data, $operation instanceof Narrowed ? $operation->inputFor($data) : $operation->input());

        return Json::write($operation->run(Fields::of(Json::arrays($data))));
    }
}
