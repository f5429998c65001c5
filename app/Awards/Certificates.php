<?php

declare(strict_types=1);

namespace App\Awards;

use App\Knots\KnotNames;
use App\Models\Award;
use App\Models\Group;
use App\Models\GroupPicture;
use Compadre\Core\Awards\InkColour;
use Compadre\Core\Awards\Proof;
use Compadre\Core\Data\Base64;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\View;
use Compadre\Core\Refusal;
use Compadre\Core\Space\FormFile;

/**
 * Certificates to print, and how a group's look.
 */
final readonly class Certificates
{
    public function __construct(private KnotNames $names, private Library $library, private FormFile $forms, private ReadPicture $read)
    {
    }

    /**
     * @param  list<string>  $awards  ids, in the order they are printed
     * @return array<string, mixed>
     */
    public function of(Group $group, array $awards): array
    {
        $found = $group->awards()->with('learner')->whereNull('taken_back_on')->whereIn('id', $awards)->get()->keyBy('id');
        $credit = new Credit($group);
        $certificates = [];
        foreach ($awards as $place => $id) {
            $certificates[] = $this->certificate($group, $found[$id] ?? throw Refusal::of("/awards/$place", $id, 'awards.not_in_force'), $credit);
        }

        return $this->look($group) + ['certificates' => $certificates];
    }

    /** @return array{group: string, words: ?string, colour: ?string, picture: ?string} */
    public function look(Group $group): array
    {
        return ['group' => $group->name, 'words' => $group->certificate_words, 'colour' => $group->certificate_colour, 'picture' => GroupPicture::query()->whereKey($group->id)->value('hash')];
    }

    public function change(Group $group, Fields $change): void
    {
        $given = $change->raw();
        $colour = $change->textOrNull('colour');
        $group->update([
            'certificate_words' => array_key_exists('words', $given) ? (trim((string) $change->textOrNull('words')) ?: null) : $group->certificate_words,
            'certificate_colour' => array_key_exists('colour', $given) ? ($colour === null ? null : InkColour::from($colour, '/colour')->hex) : $group->certificate_colour,
        ]);
    }

    public function putPicture(Group $group, string $base64): void
    {
        $picture = $this->read->read(Base64::read($base64, '/bytes'));
        GroupPicture::query()->updateOrCreate(['group_id' => $group->id], [
            'width' => $picture['width'], 'height' => $picture['height'], 'hash' => hash('xxh128', $picture['png']), 'png' => base64_encode($picture['png']),
        ]);
    }

    /** @return ?string the PNG */
    public function picture(Group $group): ?string
    {
        $kept = GroupPicture::query()->find($group->id);

        return $kept === null ? null : (string) base64_decode($kept->png, true);
    }

    public function removePicture(Group $group): void
    {
        GroupPicture::query()->whereKey($group->id)->delete();
    }

    /** @return array<string, mixed> */
    private function certificate(Group $group, Award $award, Credit $credit): array
    {
        $proof = Proof::from(Fields::of($award->proof));

        return [
            'id' => $award->id, 'learner' => $award->learner->name, 'badge' => $award->name, 'about' => $proof->about,
            'day' => $award->handed_on ?? $award->decided_on, 'by' => $credit->person($award->decided_by), 'by_hand' => $award->by_hand,
            // As it looks to whoever tied it.
            'view' => View::forHand($award->learner->hand)->value, 'knots' => $this->knots($group, $proof),
            'done' => array_map(fn (array $one): array => ['name' => $one['knot'] === null ? null : $this->names->of($one['knot'])] + $one, $proof->done()),
        ];
    }

    /** @return list<array{id: string, name: string, method: string, in_space: bool}> as the group ties them; a knot that is in no pack any more cannot be drawn */
    private function knots(Group $group, Proof $proof): array
    {
        $knots = [];
        foreach ($proof->knots() as $id) {
            if ($this->library->has($id)) {
                $knot = $this->library->knot($id);
                $way = $knot->method($group->methods[$id] ?? null);
                $knots[] = ['id' => $id, 'name' => $knot->names[0], 'method' => $way->id, 'in_space' => $this->forms->has($knot, $way)];
            }
        }

        return $knots;
    }
}
