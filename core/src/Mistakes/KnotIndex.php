<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

use Closure;
use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\Family;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\Skewer;
use Compadre\Core\Topology\Fingerprint;
use Compadre\Core\Topology\GaussCode;

/**
 * Finds the knot of a fingerprint.
 */
final class KnotIndex
{
    /** @var array<string, array{plain: list<string>, mirrored: list<string>}> ids of knots by the key of a fingerprint */
    private array $knots = [];

    /** @var array<string, string> ids by the very diagram */
    private array $drawn = [];

    private bool $built = false;

    /** @param  ?Closure(Closure(): array{array<string, array{plain: list<string>, mirrored: list<string>}>, array<string, string>}): array{array<string, array{plain: list<string>, mirrored: list<string>}>, array<string, string>}  $remember */
    private function __construct(private readonly Library $library, private readonly bool $forLearners, private readonly ?Closure $remember = null)
    {
    }

    /** It is built when something is first looked up. */
    public static function of(Library $library): self
    {
        return new self($library, false);
    }

    /**
     * In this one what is for leaders only has no name: whatever a learner or a room is shown is looked up here.
     *
     * @param  ?Closure(Closure(): array{array<string, array{plain: list<string>, mirrored: list<string>}>, array<string, string>}): array{array<string, array{plain: list<string>, mirrored: list<string>}>, array<string, string>}  $remember
     *     hands back what it was given the last time, for as long as the packs are the same
     */
    public static function forLearners(Library $library, ?Closure $remember = null): self
    {
        return new self($library, true, $remember);
    }

    private function build(): void
    {
        $this->built = true;
        if ($this->remember instanceof Closure) {
            [$this->knots, $this->drawn] = ($this->remember)(function (): array {
                $this->fill();

                return [$this->knots, $this->drawn];
            });
        } else {
            $this->fill();
        }
    }

    private function fill(): void
    {
        foreach ($this->library->all() as $knot) {
            foreach ($knot->hasFingerprint() && ($knot->isForAll() || ! $this->forLearners) ? $knot->methods : [] as $method) {
                $code = self::code($knot, $method);
                $print = Fingerprint::of($code);
                // Where nothing holds its loops open, it is told from a rope that lies there by nothing: then it is nobody's name.
                if (isset(Fallen::keys($code)[$print->key()])) {
                    continue;
                }
                $this->drawn[serialize($code)] ??= $knot->id;
                $this->add(self::key($knot, $print), 'plain', $knot->id);
                $this->add(self::key($knot, $print->mirrored()), 'mirrored', $knot->id);
            }
        }
    }

    /**
     * A loop is a rope like any other until something is put through it, so loops are told from knots without one by their
     * family.
     */
    public static function key(KnotPack $knot, Fingerprint $print): string
    {
        return ($knot->family === Family::Loop ? 'loop ' : '').$print->key();
    }

    /** A method's diagram as its fingerprint is taken: with what holds its bights open. */
    public static function code(KnotPack $knot, Method $method): GaussCode
    {
        return self::diagram($knot, $method)->code();
    }

    /** That diagram: what holds its bights open comes last. */
    public static function diagram(KnotPack $knot, Method $method): Diagram
    {
        return Skewer::through(DiagramBuilder::loose($method, $knot->file), $method->holds());
    }

    /** The knot that is drawn just so, with the same outline and the same overs and unders. */
    public function drawnSo(GaussCode $code): ?string
    {
        $this->built || $this->build();

        return $this->drawn[serialize($code)] ?? null;
    }

    /** @return list<string> the knots that this fingerprint is not told apart from */
    public function named(string $key): array
    {
        $this->built || $this->build();

        return $this->knots[$key]['plain'] ?? [];
    }

    /** @return list<string> those whose mirror image it is */
    public function mirrorOf(string $key): array
    {
        $this->built || $this->build();

        return $this->knots[$key]['mirrored'] ?? [];
    }

    /** @param  'plain'|'mirrored'  $hand */
    private function add(string $key, string $hand, string $knot): void
    {
        $this->knots[$key] ??= ['plain' => [], 'mirrored' => []];
        if (! in_array($knot, $this->knots[$key][$hand], true)) {
            $this->knots[$key][$hand][] = $knot;
        }
    }
}
