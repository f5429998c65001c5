<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;

/**
 * A knot as its pack describes it. Minutes are for teaching one knot to 11 to 13 year olds.
 */
final readonly class KnotPack
{
    /**
     * @param  non-empty-list<string>  $names  the first is shown
     * @param  list<string>  $prerequisites  ids of other knots
     * @param  list<string>  $tyingChecks
     * @param  list<string>  $dressingChecks
     * @param  list<string>  $tailChecks
     * @param  list<string>  $cautions  one line each
     * @param  array<string, KnotMistake>  $mistakes  by id, likeliest first
     * @param  non-empty-list<Method>  $methods  the first is the default
     * @param  bool  $setsOut  whether its small loop can be measured off from the end for a loop of a given size
     * @param  string  $laidRope  which way to turn in laid rope, where it matters
     * @param  bool  $testShowsStructure  whether a test that says no shows a wrong structure
     * @param  ?LashingKind  $lashing  what its rope is reckoned as, where it is a lashing that is
     * @param  list<string>  $pulledBeside  ids of wrong forms that it is pulled at side by side with
     * @param  bool  $withAdult  whether it closes or tightens, and is tied at home with an adult beside only
     */
    public function __construct(
        public string $file,
        public string $id,
        public int $version,
        public array $names,
        public Family $family,
        public string $audience,
        public bool $isMistake,
        public string $purpose,
        public string $notFor,
        public string $tiedWith,
        public string $undo,
        public string $test,
        public TailClass $tailClass,
        public int $minutes,
        public bool $hard,
        public float $ropeFactor,
        public bool $handMatters,
        public bool $hasDressing,
        public bool $hasTail,
        public array $prerequisites,
        public array $tyingChecks,
        public array $dressingChecks,
        public array $tailChecks,
        public array $cautions,
        public array $mistakes,
        public array $methods,
        public Uses $uses,
        public bool $setsOut = false,
        public string $laidRope = '',
        public bool $testShowsStructure = false,
        public ?LashingKind $lashing = null,
        public array $pulledBeside = [],
        public bool $withAdult = false,
    ) {
    }

    public static function from(Fields $pack, string $file): self
    {
        $mistakes = [];
        foreach ($pack->objects('mistakes') as $mistake) {
            $mistakes[$mistake->text('id')] = KnotMistake::from($mistake);
        }
        $checks = $pack->object('checks');
        $names = $pack->texts('names');
        $methods = array_map(Method::from(...), $pack->objects('methods'));
        if ($names === [] || $methods === []) {
            throw Refusal::of($names === [] ? '/names' : '/methods', [], 'any.some');
        }

        return new self(
            $file, $pack->text('id'), $pack->whole('version'), $names, $pack->choice('family', Family::class), $pack->text('audience', 'all'),
            $pack->flag('is_mistake'), $pack->text('purpose'), $pack->text('not_for'), $pack->text('tied_with'), $pack->text('undo'),
            $pack->text('test', ''), $pack->choice('tail_class', TailClass::class), $pack->whole('minutes'), $pack->flag('hard'), $pack->number('rope_factor'),
            $pack->flag('hand_matters'), $checks->texts('dressing') !== [], $checks->texts('tail') !== [], $pack->texts('prerequisites'),
            $checks->texts('tying'), $checks->texts('dressing'), $checks->texts('tail'), $pack->texts('cautions'), $mistakes, $methods, Uses::from($pack), $pack->flag('sets_out'), $pack->text('laid_rope', ''),
            $pack->textOrNull('test_shows') === 'structure', $pack->choiceOrNull('lashing', LashingKind::class), $pack->texts('pulled_beside'), $pack->flag('with_adult'),
        );
    }

    /** Whether learners may see it; the rest is for leaders only. */
    public function isForAll(): bool
    {
        return $this->audience === 'all';
    }

    /** Whether it is shown to be learned: neither a wrong form nor for leaders only. */
    public function isTaught(): bool
    {
        return $this->isForAll() && ! $this->isMistake;
    }

    /**
     * Whether it is told from others by its fingerprint, and its mistakes are found by that. A lashing is not: so many turns are
     * beyond the cost allowed, and it goes wrong by being laid or drawn up badly, not by one over for an under.
     */
    public function hasFingerprint(): bool
    {
        return $this->family !== Family::Lashing;
    }

    public function method(?string $id): Method
    {
        if ($id === null) {
            return $this->methods[0];
        }
        foreach ($this->methods as $method) {
            if ($method->id === $id) {
                return $method;
            }
        }

        throw Refusal::of('/method', $id, 'any.one_of', ['list' => $this->methodIds()]);
    }

    /**
     * The finished knot as this method leaves it, drawn up tight; a method whose last pull turns it over leaves what another is drawn
     * as.
     *
     * @return ?array{Diagram, bool} the diagram, and whether it is drawn up tight; null where the loose drawing is the finished one
     */
    public function finished(Method $method): ?array
    {
        $shown = $method->finish === null ? $method : $this->method($method->finish);
        if ($shown->hasTight()) {
            return [DiagramBuilder::tight($shown, $this->file), true];
        }

        return $method->finish === null ? null : [DiagramBuilder::loose($shown, $this->file), false];
    }

    /** What a method looks like half-way through the pull that turns it over; null where no pull does. */
    public function halfWay(Method $method): ?Diagram
    {
        return $method->finish === null || ! $method->hasTight() ? null : DiagramBuilder::tight($method, $this->file);
    }

    /** @return list<Method> the ways of tying it; a form without steps is kept only to be recognised */
    public function ways(): array
    {
        return array_values(array_filter($this->methods, static fn (Method $method): bool => $method->steps !== []));
    }

    /**
     * The forms that are as good as one method's: its mirror image, unless the hand matters, and the knot's other methods, as they
     * lie when they are done.
     *
     * @return list<array{Method, bool}> the method and whether it is mirrored
     */
    public function otherForms(Method $method): array
    {
        $forms = $this->handMatters || ! $this->hasFingerprint() ? [] : [[$method, true]];
        foreach ($this->ways() as $other) {
            // A method that is drawn before its last pull looks like no finished knot.
            if ($other->id !== $method->id && ($other->differs === null || $other->hasTight() || $other->finish !== null)) {
                $forms[] = [$other, false];
            }
        }

        return $forms;
    }

    /** @return list<string> */
    public function methodIds(): array
    {
        return array_map(static fn (Method $method): string => $method->id, $this->methods);
    }
}
