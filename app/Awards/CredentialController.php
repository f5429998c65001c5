<?php

declare(strict_types=1);

namespace App\Awards;

use App\Http\Controller;
use App\Models\Award;
use App\Models\Group;
use App\Models\TrustedIssuer;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * Signed badges: made, taken along, and looked at; the keys they are signed with.
 */
final class CredentialController extends Controller
{
    public function __construct(private readonly GroupKeys $keys, private readonly StatusLists $lists, private readonly Verify $verify)
    {
    }

    public function sign(Request $request, Award $award, SignBadge $sign, AwardBoard $board): JsonResponse
    {
        return new JsonResponse($board->one($this->group($request), $sign($this->group($request), $award, $this->fields($request)->flag('named'))));
    }

    public function file(Request $request, Award $award, string $as, BadgeFile $file): Response
    {
        $as = $as === 'svg' || $as === 'png' ? $as : 'txt';

        return new Response($file->of($this->group($request), $award, $as), 200, ['Content-Type' => BadgeFile::TYPES[$as], 'Content-Disposition' => "attachment; filename=\"$award->badge.$as\""]);
    }

    public function keys(Request $request): JsonResponse
    {
        return $this->shown($this->group($request));
    }

    public function makeKey(Request $request): JsonResponse
    {
        $this->keys->renew($this->group($request), $this->fields($request));

        return $this->shown($this->group($request), 201);
    }

    /** What others need to look at the group's badges. */
    public function card(Request $request): JsonResponse
    {
        return new JsonResponse($this->keys->card($this->group($request)), 200, ['Content-Disposition' => 'attachment; filename="issuer.json"'], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    public function takenBack(Request $request): Response
    {
        return new Response(implode("\n", $this->lists->all($this->group($request)))."\n", 200, ['Content-Type' => 'text/plain; charset=utf-8', 'Content-Disposition' => 'attachment; filename="taken-back.txt"']);
    }

    public function issuer(Group $issuer): JsonResponse
    {
        return new JsonResponse($this->keys->card($issuer));
    }

    public function status(Group $issuer, string $list): Response
    {
        return new Response($this->lists->one($issuer, $list) ?? abort(404), 200, ['Content-Type' => 'application/vc+jwt']);
    }

    public function look(Request $request): JsonResponse
    {
        return new JsonResponse($this->verify->look($this->group($request), $this->fields($request)->text('file'), $this->fields($request)->texts('lists')));
    }

    public function trusted(Request $request): JsonResponse
    {
        return new JsonResponse(['issuers' => array_map(self::about(...), $this->verify->trusted($this->group($request)))]);
    }

    public function trust(Request $request): JsonResponse
    {
        return new JsonResponse(self::about($this->verify->trust($this->group($request), $this->fields($request)->text('file'))), 201);
    }

    public function trustNoMore(TrustedIssuer $trusted): Response
    {
        $this->verify->trustNoMore($trusted);

        return new Response(status: 204);
    }

    private function shown(Group $group, int $status = 200): JsonResponse
    {
        return new JsonResponse(['issuer' => 'urn:uuid:'.$this->keys->issuer($group), 'keys' => $this->keys->list($group)], $status);
    }

    /** @return array{id: string, issuer: string, name: string} */
    private static function about(TrustedIssuer $one): array
    {
        return ['id' => $one->id, 'issuer' => $one->issuer, 'name' => $one->name];
    }
}
