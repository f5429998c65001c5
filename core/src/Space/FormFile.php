<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\Point;
use Compadre\Core\Knots\StrandKind;
use Compadre\Core\Refusal;
use Compadre\Core\Space\Lashing\Lashed;
use SplFileObject;

/**
 * Forms as they are kept: points in thousandths of a diameter, each as the step from the one before, and a stamp of the drawing
 * they were made from.
 */
final readonly class FormFile
{
    /** Raised when forms come out differently: kept ones are then made anew. */
    private const ENGINE = 1;

    /** The same for lashings, which are built. */
    private const BUILDER = 1;

    /** To a diameter. */
    public const PARTS = 1000;

    /** @param  string  $folder  of the packs */
    public function __construct(private string $folder)
    {
    }

    public function path(KnotPack $knot, Method $method): string
    {
        return "$this->folder/space/$knot->id/$method->id.json";
    }

    /** What a form depends on: the drawing, and what held its loops open. */
    public static function stamp(KnotPack $knot, Method $method): string
    {
        if ($knot->lashing !== null) {
            return substr(hash('sha256', (string) json_encode([self::BUILDER, Lashed::pictured($knot->lashing)])), 0, 16);
        }
        $strands = [];
        foreach ($method->strands as $strand) {
            $strands[] = [$strand->id, $strand->kind->value, $strand->word, $strand->width, $strand->runsOn->value, array_map(static fn (Point $point): array => [$point->x, $point->y], $strand->points)];
        }
        $held = array_map(static fn (Point $point): array => [$point->x, $point->y], $method->holds());

        return substr(hash('sha256', (string) json_encode([self::ENGINE, $knot->family->value, $strands, $held, ...($method->gathers ? ['gathers'] : [])])), 0, 16);
    }

    public function has(KnotPack $knot, Method $method): bool
    {
        return is_file($this->path($knot, $method));
    }

    /** The rope in a knot tied by its first method, in diameters; null where none is kept, and for lashings, whose rope depends on the poles. */
    public function ropeInKnot(KnotPack $knot): ?float
    {
        return $knot->lashing === null && $this->has($knot, $knot->methods[0]) ? self::head($this->path($knot, $knot->methods[0]))->number('rope_in_knot') : null;
    }

    /** Whether what is kept was made from the drawing as it is. */
    public function isCurrent(KnotPack $knot, Method $method): bool
    {
        return self::head($this->path($knot, $method))->text('stamp') === self::stamp($knot, $method);
    }

    /** What a file says before its frames, which are long: one entry a line. */
    private static function head(string $path): Fields
    {
        $lines = '';
        foreach (new SplFileObject($path) as $line) {
            if (! is_string($line) || str_starts_with($line, '"frames"')) {
                break;
            }
            $lines .= $line;
        }

        return Fields::of(Json::arrays(Json::read(rtrim($lines, ",\n").'}')));
    }

    /** @throws Refusal where nothing is kept, or the file was made from another drawing */
    public function read(KnotPack $knot, Method $method): KeptForm
    {
        if (! $this->has($knot, $method)) {
            throw Refusal::of('/knot', $knot->id, 'space.not_kept');
        }
        $path = $this->path($knot, $method);
        $file = Fields::of(Json::arrays(Json::file($path)));
        if ($file->text('stamp') !== self::stamp($knot, $method)) {
            throw Refusal::of('/stamp', $file->text('stamp'), 'space.other_drawing', ['stamp' => self::stamp($knot, $method), 'file' => $path, 'knot' => $knot->id]);
        }
        $form = new Form(self::frames($file), self::solids($file->objects('objects')), self::solids($file->objects('pegs')), $file->whole('directions'), $knot->lashing !== null);

        return new KeptForm($form, $file->number('rope_in_knot'), $file->has('laid') ? $file->numbers('laid') : []);
    }

    public function write(KnotPack $knot, Method $method, KeptForm $kept): void
    {
        $form = $kept->form;
        $data = [
            'knot' => $knot->id, 'method' => $method->id, 'stamp' => self::stamp($knot, $method), 'directions' => $form->sides,
            'rope_in_knot' => round($kept->ropeInKnot, 1),
            'objects' => array_map(static fn (Solid $solid): array => $solid->toArray(), $form->solids), 'pegs' => array_map(static fn (Solid $solid): array => $solid->toArray(), $form->pegs),
            'ropes' => array_map(static fn (SpaceStrand $rope): string => $rope->id, $form->tight()),
            ...($kept->laid === [] ? [] : ['laid' => array_map(static fn (float $share): float => round($share, 4), $kept->laid)]),
        ];
        $lines = [];
        foreach ($data as $name => $value) {
            $lines[] = json_encode($name).': '.json_encode($value, JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION);
        }
        $path = $this->path($knot, $method);
        is_dir(dirname($path)) || mkdir(dirname($path), 0o755, true);
        file_put_contents($path, "{\n".implode(",\n", $lines).",\n".self::written($form->frames)."}\n");
    }

    /**
     * The ropes of a file in each of its frames, by the names it gives them.
     *
     * @return non-empty-list<list<SpaceStrand>>
     *
     * @throws Refusal where there is none
     */
    public static function frames(Fields $file): array
    {
        $ids = $file->texts('ropes');
        $frames = [];
        foreach ($file->list('frames') as $frame) {
            $ropes = [];
            foreach (array_values((array) $frame) as $number => $steps) {
                $ropes[] = new SpaceStrand($ids[$number], false, self::points(array_values((array) $steps)));
            }
            $frames[] = $ropes;
        }

        return $frames === [] ? throw Refusal::of('/frames', [], 'any.some') : $frames;
    }

    /**
     * The frames as they stand in a file, a rope a line.
     *
     * @param  list<list<SpaceStrand>>  $frames
     */
    public static function written(array $frames): string
    {
        $lines = array_map(static fn (array $frame): string => '['.implode(",\n", array_map(static fn (SpaceStrand $rope): string => (string) json_encode(self::steps($rope)), $frame)).']', $frames);

        return "\"frames\": [\n".implode(",\n", $lines)."\n]";
    }

    /** @return list<int> a strand's points, each as the step from the one before, in parts of a diameter */
    public static function steps(SpaceStrand $rope): array
    {
        $before = [0, 0, 0];
        $steps = [];
        foreach ($rope->points as $point) {
            foreach ([0, 1, 2] as $axis) {
                $now = (int) round($point[$axis] * self::PARTS);
                $steps[] = $now - $before[$axis];
                $before[$axis] = $now;
            }
        }

        return $steps;
    }

    /**
     * @param  list<mixed>  $steps  as steps() has them
     * @return list<array{float, float, float}>
     */
    private static function points(array $steps): array
    {
        $points = [];
        $at = [0, 0, 0];
        foreach (array_chunk($steps, 3) as $step) {
            foreach ([0, 1, 2] as $axis) {
                $more = $step[$axis] ?? null;
                $at[$axis] += is_int($more) ? $more : throw Refusal::of('/frames', $more, 'space.points');
            }
            $points[] = [$at[0] / self::PARTS, $at[1] / self::PARTS, $at[2] / self::PARTS];
        }

        return $points;
    }

    /**
     * @param  list<Fields>  $objects
     * @return list<Solid>
     */
    private static function solids(array $objects): array
    {
        return array_map(static fn (Fields $object): Solid => new Solid($object->choice('kind', StrandKind::class), self::place($object, 'from'), self::place($object, 'to'), $object->number('radius')), $objects);
    }

    /** @return array{float, float, float} */
    private static function place(Fields $object, string $name): array
    {
        $place = [];
        foreach ($object->list($name) as $value) {
            $place[] = is_numeric($value) ? (float) $value : throw Refusal::of($object->place($name), $value, 'space.three');
        }

        return count($place) === 3 ? $place : throw Refusal::of($object->place($name), $place, 'space.three');
    }
}
