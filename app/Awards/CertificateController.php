<?php

declare(strict_types=1);

namespace App\Awards;

use App\Http\Controller;
use App\Http\NotHere;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * Certificates, and the words, colour and picture a group puts on them.
 */
final class CertificateController extends Controller
{
    public function __construct(private readonly Certificates $certificates)
    {
    }

    public function show(Request $request): JsonResponse
    {
        $asked = $this->asked($request, 'awards') ?? '';

        return new JsonResponse($this->certificates->of($this->group($request), $asked === '' ? [] : explode(',', $asked)));
    }

    public function change(Request $request): JsonResponse
    {
        $this->certificates->change($this->group($request), $this->fields($request));

        return new JsonResponse($this->certificates->look($this->group($request)->refresh()));
    }

    public function putPicture(Request $request): JsonResponse
    {
        $this->certificates->putPicture($this->group($request), $this->fields($request)->text('bytes'));

        return new JsonResponse($this->certificates->look($this->group($request)));
    }

    public function picture(Request $request): Response
    {
        $png = $this->certificates->picture($this->group($request)) ?? throw NotHere::picture($this->group($request)->id);

        return new Response($png, 200, ['Content-Type' => 'image/png', 'Cache-Control' => 'private, max-age=31536000, immutable']);
    }

    public function removePicture(Request $request): Response
    {
        $this->certificates->removePicture($this->group($request));

        return new Response(status: 204);
    }
}
