<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Data\Json;
use Compadre\Core\Data\Schema;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Overlay;

/**
 * The knots of a folder of packs, read as they are asked for.
 */
final class Library
{
    /** @var array<string, KnotPack> */
    private array $read = [];

    /** What names a side in the words of these knots. */
    public readonly Sides $sides;

    /** @param  array<string, string>  $files by knot id */
    private function __construct(private readonly array $files, private readonly Overlay $over)
    {
        $this->sides = Sides::of($over->sides());
    }

    /** @param  ?Overlay  $over  the texts in another language; null: in English */
    public static function at(string $folder, ?Overlay $over = null): self
    {
        $files = [];
        foreach (glob($folder.'/knots/*.json') ?: [] as $file) {
            $files[basename($file, '.json')] = $file;
        }

        return new self($files, $over ?? Overlay::none());
    }

    /** Changes whenever a pack does; in every language the same. */
    public function stamp(): string
    {
        return sha1(implode(',', array_map(static fn (string $file): string => $file.filemtime($file).filesize($file), $this->files)));
    }

    /** @return list<string> in order of the alphabet */
    public function ids(): array
    {
        return array_keys($this->files);
    }

    public function has(string $id): bool
    {
        return isset($this->files[$id]);
    }

    /** @throws Refusal for a knot that is not in the library, or a pack with a fault */
    public function knot(string $id, string $field = '/knot'): KnotPack
    {
        if (! isset($this->files[$id])) {
            throw Refusal::of($field, $id, 'any.one_of', ['list' => $this->ids()]);
        }

        return $this->read[$id] ??= KnotPack::from($this->over->read('knots', $this->files[$id]), basename($this->files[$id]));
    }

    /** @throws Refusal for a knot that is not in the library, or is for leaders only: before learners that is the same */
    public function forLearners(string $id, string $field = '/knot'): KnotPack
    {
        if ($this->has($id) && $this->knot($id)->isForAll()) {
            return $this->knot($id);
        }
        $open = array_filter($this->all(), static fn (KnotPack $knot): bool => $knot->isForAll());

        throw Refusal::of($field, $id, 'any.one_of', ['list' => array_keys($open)]);
    }

    /** @return array<string, KnotPack> */
    public function all(): array
    {
        $knots = [];
        foreach ($this->ids() as $id) {
            $knots[$id] = $this->knot($id);
        }

        return $knots;
    }

    /** How many knots have to be learned one after the other before this one. */
    public function depth(string $id): int
    {
        return max([0, ...array_map(fn (string $before): int => 1 + $this->depth($before), $this->knot($id)->prerequisites)]);
    }

    /** @return list<string> knots whose memory starts shorter */
    public function hard(): array
    {
        return array_keys(array_filter($this->all(), static fn (KnotPack $knot): bool => $knot->hard));
    }

    /**
     * Holds every pack to its schema, its own words and its neighbours; the first fault is thrown.
     *
     * @param  array<string, mixed>  $schema
     */
    public function verify(array $schema): void
    {
        foreach ($this->files as $id => $file) {
            $name = basename($file);
            try {
                Schema::hold(Json::file($file), $schema);
                $knot = $this->knot($id);
                $this->verifyReferences($knot);
                foreach ($knot->methods as $method) {
                    $loose = DiagramBuilder::loose($method, $name);
                    self::verifyFinish($knot, $method);
                    DiagramBuilder::tight($method, $name);
                    PaintOrder::of($loose);
                    $method->verifyParts($loose);
                    DrawingLimits::hold($method, $name);
                    StepStates::of($method, $loose, $name);
                }
            } catch (Refusal $fault) {
                throw str_contains($fault->getMessage(), $name) ? $fault : $fault->in($name);
            }
        }
    }

    /** @throws Refusal for a finished form that is no other method of the knot, or is itself turned over by its last pull */
    private static function verifyFinish(KnotPack $knot, Method $method): void
    {
        if ($method->finish !== null && ($method->finish === $method->id || $knot->method($method->finish)->finish !== null)) {
            throw Refusal::of('/finish', $method->finish, 'knots.finish');
        }
        foreach ($method->steps as $number => $step) {
            if ($step->half && $knot->halfWay($method) === null) {
                throw Refusal::of("/steps/$number/half", true, 'knots.half');
            }
        }
    }

    private function verifyReferences(KnotPack $knot): void
    {
        if ($knot->id.'.json' !== $knot->file) {
            throw Refusal::of('/id', $knot->id, 'data.file_name', ['name' => basename($knot->file, '.json')]);
        }
        foreach ($knot->pulledBeside as $index => $other) {
            if (! $this->has($other) || $other === $knot->id) {
                throw Refusal::of("/pulled_beside/$index", $other, 'knots.other_id');
            }
        }
        foreach ($knot->prerequisites as $index => $needed) {
            if (! $this->has($needed) || $needed === $knot->id) {
                throw Refusal::of("/prerequisites/$index", $needed, 'knots.prerequisite');
            }
        }
    }
}
