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

/**
 * Knots that are tied right and not dressed, as they are kept beside their forms: each fault is a frame.
 */
final readonly class UntidyFile
{
    /** Raised when they come out differently: what is kept is then made anew. */
    private const ENGINE = 1;

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

        return is_file($path) && Fields::of(Json::arrays(Json::file($path)))->text('stamp') === self::stamp($knot, $method);
    }

    /** @return list<UntidyForm> none where nothing is kept */
    public function read(KnotPack $knot, Method $method): array
    {
        $path = $this->path($knot, $method);
        if (! is_file($path)) {
            return [];
        }
        $file = Fields::of(Json::arrays(Json::file($path)));
        $faults = $file->texts('faults');
        if ($faults === []) {
            return [];
        }

        return array_map(static fn (string $fault, array $ropes): UntidyForm => new UntidyForm(Fault::tryFrom($fault) ?? throw Refusal::of('/faults', $fault, 'space.not_untidy'), $ropes), $faults, FormFile::frames($file));
    }

    /** @return list<Fault> */
    public function faults(KnotPack $knot, Method $method): array
    {
        return array_map(static fn (UntidyForm $form): Fault => $form->fault, $this->read($knot, $method));
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
            'knot' => $knot->id, 'method' => $method->id, 'stamp' => self::stamp($knot, $method), 'faults' => array_map(static fn (UntidyForm $form): string => $form->fault->value, $forms),
            'ropes' => array_map(static fn (SpaceStrand $rope): string => $rope->id, $forms[0]->ropes ?? []),
        ]);
        file_put_contents($this->path($knot, $method), substr($about, 0, -1).",\n".FormFile::written(array_map(static fn (UntidyForm $form): array => $form->ropes, $forms))."}\n");
    }

    private static function stamp(KnotPack $knot, Method $method): string
    {
        return substr(hash('sha256', self::ENGINE.' '.FormFile::stamp($knot, $method)), 0, 16);
    }
}
