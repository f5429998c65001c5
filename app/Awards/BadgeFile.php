<?php

declare(strict_types=1);

namespace App\Awards;

use App\Http\NotHere;
use App\Knots\KnotSpace;
use App\Models\Award;
use App\Models\Group;
use Compadre\Core\Awards\BadgeDisc;
use Compadre\Core\Awards\Credential\Baking;
use Compadre\Core\Awards\Proof;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Space\FormFile;
use RuntimeException;

/**
 * A signed badge as a file to take along: the text itself, or a picture that holds it.
 */
final readonly class BadgeFile
{
    /** The PNG's pixels a side. */
    private const SIDE = 600;

    public const TYPES = ['txt' => 'text/plain; charset=utf-8', 'svg' => 'image/svg+xml', 'png' => 'image/png'];

    public function __construct(private Library $library, private FormFile $forms, private KnotSpace $space, private DrawSvg $draw)
    {
    }

    /** @param  'txt'|'svg'|'png'  $as */
    public function of(Group $group, Award $award, string $as): string
    {
        $token = $award->token ?? throw NotHere::badge($award->id);
        if ($as === 'txt') {
            return $token;
        }
        $disc = BadgeDisc::svg($award->name, $group->name, $group->certificate_colour, $this->knot($award));

        return $as === 'svg' ? Baking::intoSvg($disc, $token) : Baking::intoPng(($this->draw)($disc, self::SIDE) ?? throw new RuntimeException('A badge could not be drawn.'), $token);
    }

    /** The last knot of the badge that is in space: what it came to. */
    private function knot(Award $award): ?string
    {
        $knots = array_map($this->library->knot(...), array_filter(Proof::from(Fields::of($award->proof))->knots(), $this->library->has(...)));
        $drawn = array_filter($knots, fn (KnotPack $knot): bool => $knot->isForAll() && $this->forms->has($knot, $knot->methods[0]));
        $knot = array_pop($drawn);

        return $knot === null ? null : $this->space->svg($knot->id, null, null, null, null);
    }
}
