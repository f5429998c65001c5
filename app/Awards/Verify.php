<?php

declare(strict_types=1);

namespace App\Awards;

use App\Http\Words;
use App\Models\Group;
use App\Models\TrustedIssuer;
use Carbon\CarbonImmutable;
use Compadre\Core\Awards\Credential\Baking;
use Compadre\Core\Awards\Credential\Issuer;
use Compadre\Core\Awards\Credential\Verifier;
use Compadre\Core\Data\Base64;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Refusal;

/**
 * Looks at badges that somebody shows, for a group: its own are known, and those of the issuers it trusts.
 */
final readonly class Verify
{
    public function __construct(private GroupKeys $keys, private StatusLists $lists)
    {
    }

    /**
     * @param  string  $file  a badge, in base64
     * @param  list<string>  $lists  files with lists of what was taken back, in base64: a signed list a line
     * @return array<string, mixed> as the core answers
     */
    public function look(Group $group, string $file, array $lists): array
    {
        $own = Issuer::from(Fields::of($this->keys->card($group)));
        $others = array_map(static fn (TrustedIssuer $one): Issuer => Issuer::from(Fields::of(['id' => $one->issuer, 'name' => $one->name, 'jwks' => $one->jwks])), $this->trusted($group));
        try {
            $tokens = $this->lists->all($group);
        } catch (Refusal) {
            // The group's own key cannot be opened here: its badges are still known by it.
            $tokens = [];
        }
        foreach ($lists as $place => $list) {
            array_push($tokens, ...preg_split('/\s+/', trim(Base64::read($list, "/lists/$place"))) ?: []);
        }

        return (new Verifier([...$others, $own], $tokens, CarbonImmutable::now('UTC')->format('Y-m-d\TH:i:s\Z')))->look(Baking::token(Base64::read($file, '/file')))->toArray(Words::asked());
    }

    /** @return list<TrustedIssuer> by name */
    public function trusted(Group $group): array
    {
        return array_values(TrustedIssuer::query()->where('group_id', $group->id)->orderBy('name')->orderBy('id')->get()->all());
    }

    public function trustNoMore(TrustedIssuer $trusted): void
    {
        $trusted->delete();
    }

    /** @param  string  $file  what another group gave out of itself: who it is, and its public keys, in base64 */
    public function trust(Group $group, string $file): TrustedIssuer
    {
        $card = Fields::of(Json::arrays(Json::read(Base64::read($file, '/file'), '/file')));
        try {
            $issuer = Issuer::from($card);
        } catch (Refusal $refusal) {
            throw Refusal::of('/file', null, 'awards.no_issuer', ['why' => $refusal->sentence()]);
        }
        if ($issuer->id === 'urn:uuid:'.$this->keys->issuer($group)) {
            throw Refusal::of('/file', $issuer->id, 'awards.own_group');
        }
        if (mb_strlen($issuer->id) > 500 || mb_strlen($issuer->name) > 200) {
            throw Refusal::of('/file', mb_strimwidth($issuer->id, 0, 60, '…'), 'awards.issuer_long');
        }

        return TrustedIssuer::query()->updateOrCreate(['group_id' => $group->id, 'issuer' => $issuer->id], ['name' => $issuer->name === '' ? $issuer->id : $issuer->name, 'jwks' => $card->object('jwks')->raw()])->refresh();
    }
}
