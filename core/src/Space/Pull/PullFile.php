<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Pull;

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Space\FormFile;
use Compadre\Core\Space\SpaceStrand;

/**
 * Knots that were pulled at, as they are kept beside their forms: each by its first method, in the rope that others are measured by.
 */
final readonly class PullFile
{
    /** Raised when pulling comes out differently: what is kept is then made anew. */
    private const ENGINE = 1;

    /** @param  string  $folder  of the packs */
    public function __construct(private string $folder)
    {
    }

    /**
     * Knots that are pulled at side by side with a wrong form, and those.
     *
     * @return array<string, KnotPack> by id
     */
    public static function wanted(Library $library): array
    {
        $wanted = [];
        foreach ($library->all() as $knot) {
            foreach ($knot->pulledBeside === [] ? [] : [$knot->id, ...$knot->pulledBeside] as $id) {
                $wanted[$id] = $library->knot($id);
            }
        }

        return $wanted;
    }

    public function path(KnotPack $knot): string
    {
        return "$this->folder/space/$knot->id/{$knot->methods[0]->id}.pull.json";
    }

    public function has(KnotPack $knot): bool
    {
        return is_file($this->path($knot));
    }

    /** Whether what is kept was made from the drawing as it is, by the friction given. */
    public function isCurrent(KnotPack $knot, float $friction): bool
    {
        return $this->has($knot) && Fields::of(Json::arrays(Json::file($this->path($knot))))->text('stamp') === self::stamp($knot, $friction);
    }

    /** @throws Refusal where nothing is kept */
    public function read(KnotPack $knot): Pulled
    {
        if (! $this->has($knot)) {
            throw Refusal::of('/knot', $knot->id, 'space.not_pulled');
        }
        $file = Fields::of(Json::arrays(Json::file($this->path($knot))));

        return new Pulled(FormFile::frames($file), $file->choice('result', PullResult::class), $file->number('travel'));
    }

    public function write(KnotPack $knot, Pulled $pulled, float $friction): void
    {
        $about = (string) json_encode([
            'knot' => $knot->id, 'method' => $knot->methods[0]->id, 'stamp' => self::stamp($knot, $friction), 'result' => $pulled->result->value,
            'travel' => round($pulled->travel, 2), 'ropes' => array_map(static fn (SpaceStrand $rope): string => $rope->id, $pulled->frames[0]),
        ], JSON_PRESERVE_ZERO_FRACTION);
        file_put_contents($this->path($knot), substr($about, 0, -1).",\n".FormFile::written($pulled->frames)."}\n");
    }

    private static function stamp(KnotPack $knot, float $friction): string
    {
        return substr(hash('sha256', self::ENGINE.' '.round($friction, 4).' '.FormFile::stamp($knot, $knot->methods[0])), 0, 16);
    }
}
