<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Untidy;

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Method;
use Compadre\Core\Refusal;
use Compadre\Core\Space\FormFile;
use Compadre\Core\Space\SpaceStrand;
use SplFileObject;

/**
 * Knots that are tied right and not dressed, as they are kept beside their forms: of each fault the moments of how it goes out.
 */
final readonly class UntidyFile
{
    /** Raised when they come out differently: what is kept is then made anew. */
    private const ENGINE = 2;

    /** @param  string  $folder  of the packs */
    public function __construct(private string $folder)
    {
    }

    /**
     * The methods of which untidy forms are kept: those whose dressing is checked, but for lashings, which are built.
     *
     * @return list<Method>
     */
    public static function wanted(KnotPack $knot): array
    {
        return $knot->isTaught() && $knot->hasDressing && $knot->lashing === null ? $knot->ways() : [];
    }

    public function path(KnotPack $knot, Method $method): string
    {
        return "$this->folder/space/$knot->id/$method->id.untidy.json";
    }

    /** Whether what is kept was made from the drawing as it is. */
    public function isCurrent(KnotPack $knot, Method $method): bool
    {
        $path = $this->path($knot, $method);

        return is_file($path) && self::head($path)->text('stamp') === self::stamp($knot, $method);
    }

    /** What a file says of its frames, which are long: its first line. */
    private static function head(string $path): Fields
    {
        return Fields::of(Json::arrays(Json::read(rtrim((string) (new SplFileObject($path))->fgets(), ",\n").'}')));
    }

    /** @return list<UntidyForm> none where nothing is kept */
    public function read(KnotPack $knot, Method $method): array
    {
        $path = $this->path($knot, $method);
        if (! is_file($path)) {
            return [];
        }
        $file = Fields::of(Json::arrays(Json::file($path)));
        $faults = $file->objects('faults');
        $frames = $faults === [] ? [] : FormFile::frames($file);
        $forms = [];
        foreach ($faults as $fault) {
            $moments = array_splice($frames, 0, $fault->whole('moments'));
            $forms[] = new UntidyForm($fault->choice('fault', Fault::class), $moments === [] ? throw Refusal::of($fault->place('moments'), 0, 'any.some') : $moments);
        }

        return $forms;
    }

    /** @return list<Fault> */
    public function faults(KnotPack $knot, Method $method): array
    {
        $path = $this->path($knot, $method);

        return is_file($path) ? array_map(static fn (Fields $fault): Fault => $fault->choice('fault', Fault::class), self::head($path)->objects('faults')) : [];
    }

    /** @throws Refusal where it is not kept */
    public function one(KnotPack $knot, Method $method, Fault $fault): UntidyForm
    {
        foreach ($this->read($knot, $method) as $form) {
            if ($form->fault === $fault) {
                return $form;
            }
        }

        throw Refusal::of('/untidy', $fault->value, 'space.not_untidy');
    }

    /** @param  list<UntidyForm>  $forms */
    public function write(KnotPack $knot, Method $method, array $forms): void
    {
        $about = (string) json_encode([
            'knot' => $knot->id, 'method' => $method->id, 'stamp' => self::stamp($knot, $method), 'faults' => array_map(static fn (UntidyForm $form): array => ['fault' => $form->fault->value, 'moments' => count($form->frames)], $forms),
            'ropes' => $forms === [] ? [] : array_map(static fn (SpaceStrand $rope): string => $rope->id, $forms[0]->untidy()),
        ]);
        file_put_contents($this->path($knot, $method), substr($about, 0, -1).",\n".FormFile::written(array_merge(...array_map(static fn (UntidyForm $form): array => $form->frames, $forms)))."}\n");
    }

    private static function stamp(KnotPack $knot, Method $method): string
    {
        return substr(hash('sha256', self::ENGINE.' '.FormFile::stamp($knot, $method)), 0, 16);
    }
}
