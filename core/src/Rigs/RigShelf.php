<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs;

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Data\Schema;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Pack\Question;
use Compadre\Core\Words\Overlay;

/**
 * The rigs of a folder of packs, and those a group has made of its own; or its instruments, which are pictures with one handle and
 * figures that follow it. Read as they are asked for.
 */
final class RigShelf
{
    /** What an instrument does without: nothing is built with it. */
    private const INSTRUMENT = [
        'kind' => 'instrument', 'stands' => '', 'learners' => ['purpose' => ''], 'minutes' => 0, 'ages' => ['from' => 3, 'to' => 25], 'prerequisites' => [], 'places' => [],
        'members' => [], 'checks' => ['before' => [], 'while' => [], 'after' => []], 'raise' => [], 'strike' => [], 'leaves' => '',
    ];

    /** @var array<string, RigPack> */
    private array $read = [];

    /** @var array<string, Fields> */
    private array $fields = [];

    /** @param  array<string, string|Fields>  $packs  files, or what they hold, by rig id */
    private function __construct(private readonly array $packs, private readonly RigReader $reader, private readonly Overlay $over)
    {
    }

    /** @param  ?Overlay  $over  the texts in another language; null: in English */
    public static function at(string $folder, Library $library, ?Overlay $over = null): self
    {
        $files = [];
        foreach (glob($folder.'/rigs/*.json') ?: [] as $file) {
            $files[basename($file, '.json')] = $file;
        }

        return new self($files, new RigReader($library), $over ?? Overlay::none());
    }

    /**
     * The instruments of a folder of packs.
     *
     * @param  ?Overlay  $over  the texts in another language; null: in English
     */
    public static function instruments(string $folder, Library $library, ?Overlay $over = null): self
    {
        $packs = [];
        foreach (glob($folder.'/instruments/*.json') ?: [] as $file) {
            $pack = ($over ?? Overlay::none())->read('instruments', $file);
            $packs[basename($file, '.json')] = Fields::of($pack->raw() + ['purpose' => $pack->text('about')] + self::INSTRUMENT);
        }

        return new self($packs, new RigReader($library), Overlay::none());
    }

    /** @param  list<Fields>  $own  rigs a group has made, which stand beside the others, or in the place of one of the same id */
    public function with(array $own): self
    {
        if ($own === []) {
            return $this;
        }
        $packs = $this->packs;
        foreach ($own as $pack) {
            $packs[$pack->text('id')] = $pack;
        }

        return new self($packs, $this->reader, $this->over);
    }

    /** Changes whenever a pack does; in every language the same, but for instruments. */
    public function stamp(): string
    {
        return sha1(implode(',', array_map(static fn (string|Fields $pack): string => $pack instanceof Fields ? Json::write($pack->raw()) : $pack.filemtime($pack).filesize($pack), $this->packs)));
    }

    /** @return list<string> in order of the alphabet */
    public function ids(): array
    {
        $ids = array_map(strval(...), array_keys($this->packs));
        sort($ids);

        return $ids;
    }

    public function has(string $id): bool
    {
        return isset($this->packs[$id]);
    }

    /** @throws Refusal for a rig that is not on the shelf, or a pack with a fault */
    public function rig(string $id, string $field = '/rig'): RigPack
    {
        if (! isset($this->packs[$id])) {
            throw Refusal::of($field, $id, 'any.one_of', ['list' => $this->ids()]);
        }

        return $this->read[$id] ??= $this->reader->read($this->fields($id));
    }

    /**
     * @return array<array-key, mixed> a rig's pack as it is written
     *
     * @throws Refusal for a rig that is not on the shelf
     */
    public function pack(string $id, string $field = '/rig'): array
    {
        return $this->has($id) ? $this->fields($id)->raw() : throw Refusal::of($field, $id, 'any.one_of', ['list' => $this->ids()]);
    }

    /** @return list<Question> what a rig asks, without reading its formulas */
    public function questions(string $id): array
    {
        return array_map(Question::from(...), $this->fields($id)->objects('questions'));
    }

    private function fields(string $id): Fields
    {
        $pack = $this->packs[$id];

        return $this->fields[$id] ??= $pack instanceof Fields ? $pack : $this->over->read('rigs', $pack);
    }

    /** @return array<string, RigPack> */
    public function all(): array
    {
        $rigs = [];
        foreach ($this->ids() as $id) {
            $rigs[$id] = $this->rig($id);
        }

        return $rigs;
    }

    /**
     * Holds every pack to its schema, its name, its knots and its formulas; the first fault is thrown, with the file's name.
     *
     * @param  array<string, mixed>  $schema
     */
    public function verify(array $schema): void
    {
        foreach ($this->packs as $id => $pack) {
            $name = "$id.json";
            try {
                Schema::hold($pack instanceof Fields ? $pack->raw() : Json::file($pack), $schema);
                if ($this->rig($id)->id !== $id) {
                    throw Refusal::of('/id', $this->rig($id)->id, 'data.file_name', ['name' => $id]);
                }
            } catch (Refusal $fault) {
                throw $fault->in($name);
            }
        }
    }
}
