<?php

declare(strict_types=1);

namespace App\Along;

use App\Http\Controller;
use App\Http\NotHere;
use App\Models\KeptFile;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/**
 * The whole group as a zip: asked for, fetched, taken in again; and a house that is left behind.
 */
final class AlongController extends Controller
{
    public function __construct(private readonly KeepFiles $files)
    {
    }

    public function show(Request $request): JsonResponse
    {
        return $this->board($request);
    }

    public function ask(Request $request): JsonResponse
    {
        $this->files->ask($this->group($request), $this->fields($request));

        return $this->board($request, 201);
    }

    public function file(KeptFile $file): StreamedResponse
    {
        if ($file->state !== 'ready') {
            throw NotHere::file($file->id);
        }
        $name = $file->kind === 'before' ? 'group-before' : 'group';

        return new StreamedResponse(static function () use ($file): void {
            foreach ($file->parts() as $part) {
                echo $part;
            }
        }, 200, [
            'Content-Type' => 'application/zip', 'Content-Length' => (string) $file->bytes, 'Cache-Control' => 'private, no-store',
            'Content-Disposition' => "attachment; filename=\"$name-{$file->created_at->format('Y-m-d')}.zip\"",
        ]);
    }

    public function remove(Request $request, KeptFile $file): JsonResponse
    {
        $file->remove();

        return $this->board($request);
    }

    public function leave(Request $request, LeaveHouse $leave): JsonResponse
    {
        $leave($this->group($request), $this->fields($request)->flag('left'));

        return $this->board($request);
    }

    public function bring(Request $request): JsonResponse
    {
        return new JsonResponse(['file' => $this->files->bring($this->group($request), $this->fields($request)->whole('bytes'))->id], 201);
    }

    public function part(Request $request, KeptFile $given): Response
    {
        $this->files->part($given, $this->fields($request));

        return new Response(status: 204);
    }

    public function look(Request $request, KeptFile $given, TakeBack $take): JsonResponse
    {
        return new JsonResponse($take($this->group($request), $given, $this->fields($request)->textOrNull('password'), false)->about());
    }

    public function take(Request $request, KeptFile $given, TakeBack $take): JsonResponse
    {
        $taken = $take($this->group($request), $given, $this->fields($request)->textOrNull('password'), true);
        $given->remove();

        return new JsonResponse($taken->about());
    }

    private function board(Request $request, int $status = 200): JsonResponse
    {
        return new JsonResponse(AlongBoard::of($this->group($request)), $status);
    }
}
