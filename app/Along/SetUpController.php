<?php

declare(strict_types=1);

namespace App\Along;

use App\House\Threshold;
use App\Http\Controller;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * The first visit of a house that a group moves to, or of a place in one.
 */
final class SetUpController extends Controller
{
    public function __construct(private readonly SetUpFromZip $setUp)
    {
    }

    public function bring(Request $request): JsonResponse
    {
        return new JsonResponse(['file' => $this->setUp->bring($this->fields($request), Threshold::isFromNetwork($request))->id], 201);
    }

    public function part(Request $request, string $zip): Response
    {
        $this->setUp->part($zip, $this->fields($request), Threshold::isFromNetwork($request));

        return new Response(status: 204);
    }

    public function look(Request $request, string $zip): JsonResponse
    {
        return new JsonResponse($this->setUp->look($zip, $this->fields($request), Threshold::isFromNetwork($request))->about());
    }

    public function take(Request $request, string $zip): JsonResponse
    {
        return Threshold::enter($request, $this->setUp->take($zip, $this->fields($request), Threshold::isFromNetwork($request)));
    }
}
