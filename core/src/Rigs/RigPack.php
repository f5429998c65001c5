<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs;

use Compadre\Core\Rigs\Formula\Formula;
use Compadre\Core\Rigs\Formula\Unit;
use Compadre\Core\Rigs\Pack\FigurePlan;
use Compadre\Core\Rigs\Pack\MemberPlan;
use Compadre\Core\Rigs\Pack\Place;
use Compadre\Core\Rigs\Pack\Question;
use Compadre\Core\Rigs\Pack\Rule;
use Compadre\Core\Rigs\Sketch\SketchPlan;

/**
 * A rig as its pack describes it: knots doing a job together. Its formulas have been read, and their units fit.
 */
final readonly class RigPack
{
    /**
     * @param  string  $kind  shelter, line, camp, carry, lift or reach: what it is looked for under
     * @param  string  $stands  what stands at the end
     * @param  string  $forLearners  its purpose in a learner's words
     * @param  list<Question>  $questions
     * @param  array<string, Formula>  $defaults  of questions whose usual answer follows from others
     * @param  array<string, Place>  $places  by id
     * @param  array<string, Formula>  $lets  by name, each of those before it
     * @param  list<MemberPlan>  $members
     * @param  list<FigurePlan>  $figures
     * @param  list<Rule>  $refusals
     * @param  list<Rule>  $advice
     * @param  list<string>  $cautions  one line each
     * @param  array{before: list<string>, while: list<string>, after: list<string>}  $checks
     * @param  list<string>  $gates  lines that a named adult ticks before lengths are shown
     * @param  list<string>  $raise  steps
     * @param  list<string>  $strike  steps
     * @param  list<string>  $leaders  for leaders' eyes only
     * @param  list<string>  $prerequisites  knots
     * @param  array<string, Unit>  $units  of all that sentences and formulas can name
     */
    public function __construct(
        public string $id,
        public int $version,
        public string $name,
        public string $kind,
        public string $stands,
        public string $purpose,
        public string $forLearners,
        public int $minutes,
        public int $ageFrom,
        public int $ageTo,
        public array $questions,
        public array $defaults,
        public array $places,
        public array $lets,
        public array $members,
        public array $figures,
        public array $refusals,
        public array $advice,
        public array $cautions,
        public array $checks,
        public array $gates,
        public array $raise,
        public array $strike,
        public string $leaves,
        public array $leaders,
        public array $prerequisites,
        public SketchPlan $sketch,
        public array $units,
    ) {
    }

    /** Whether an adult has something to tick before it is built. */
    public function isGated(): bool
    {
        return $this->gates !== [];
    }

    /** @return list<string> the knots that may stand in it, each once, those taken first before others */
    public function knots(): array
    {
        $knots = [];
        foreach ($this->places as $place) {
            foreach ($place->knots as $knot) {
                $knots[$knot->knot] = true;
            }
        }

        return array_keys($knots);
    }

    /** @return array<string, mixed> answers to all that has to be answered, as a screen begins with them */
    public function starts(): array
    {
        $starts = [];
        foreach ($this->questions as $question) {
            if (! $question->isOptional()) {
                $starts[$question->id] = $question->begins();
            }
        }

        return $starts;
    }

    /** @return array<string, mixed> the JSON Schema of its answers */
    public function answers(): array
    {
        return Question::together($this->questions);
    }
}
