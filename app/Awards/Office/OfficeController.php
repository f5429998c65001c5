<?php

declare(strict_types=1);

namespace App\Awards\Office;

use App\Http\Controller;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * The office that a group's awards are told to.
 */
final class OfficeController extends Controller
{
    public function __construct(private readonly KeepOffice $keep, private readonly OfficeBoard $board)
    {
    }

    public function show(Request $request): JsonResponse
    {
        return $this->board($request);
    }

    public function set(Request $request): JsonResponse
    {
        $this->keep->set($this->group($request), $this->fields($request));

        return $this->board($request);
    }

    public function leave(Request $request): JsonResponse
    {
        $this->keep->leave($this->group($request));

        return $this->board($request);
    }

    public function send(Request $request): JsonResponse
    {
        $this->keep->send($this->group($request), $this->fields($request));

        return $this->board($request);
    }

    private function board(Request $request): JsonResponse
    {
        return new JsonResponse($this->board->of($this->group($request)));
    }
}
