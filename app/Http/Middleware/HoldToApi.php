<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\ApiDocument;
use Closure;
use Compadre\Core\Data\Json;
use Compadre\Core\Refusal;
use Illuminate\Http\Request;
use Illuminate\Routing\Route;
use LogicException;
use Symfony\Component\HttpFoundation\Response;

/**
 * Holds every request to the API document before anything else looks at it.
 */
final readonly class HoldToApi
{
    public function __construct(private ApiDocument $document)
    {
    }

    public function handle(Request $request, Closure $next): Response
    {
        $path = '/'.self::route($request)->uri();
        $this->holdPath($request, $path);
        $this->holdQuery($request, $path);
        $schema = $this->document->bodySchema($path, $request->method());
        if ($schema !== null && ($request->getContent() !== '' || $this->document->wantsBody($path, $request->method()))) {
            // Exactly this: another site's form may send anything that merely looks like it, without being asked first.
            if (preg_match('#^application/json(; ?charset=utf-8)?$#i', $request->headers->get('Content-Type') ?? '') !== 1) {
                throw Refusal::of('', $request->header('Content-Type'), 'http.json_body');
            }
            $this->document->hold(Json::read($request->getContent()), $schema);
        }

        /** @var Response */
        return $next($request);
    }

    private static function route(Request $request): Route
    {
        return $request->route() ?? throw new LogicException('Only what has a route is held to the API document.');
    }

    private function holdPath(Request $request, string $path): void
    {
        foreach ($this->document->parameters($path, $request->method()) as $parameter) {
            if ($parameter['in'] !== 'path') {
                continue;
            }
            try {
                $this->document->hold(self::route($request)->originalParameter($parameter['name']), $parameter['schema']);
            } catch (Refusal $fault) {
                throw $fault->below('/'.$parameter['name']);
            }
        }
    }

    private function holdQuery(Request $request, string $path): void
    {
        $known = [];
        foreach ($this->document->parameters($path, $request->method()) as $parameter) {
            if ($parameter['in'] !== 'query') {
                continue;
            }
            $known[] = $parameter['name'];
            $value = $request->query($parameter['name']);
            if ($value === null && ! $parameter['required']) {
                continue;
            }
            try {
                $this->document->hold($value, $parameter['schema']);
            } catch (Refusal $fault) {
                throw $fault->below('/'.$parameter['name']);
            }
        }
        foreach ($request->query->keys() as $name) {
            if (! in_array((string) $name, $known, true)) {
                throw Refusal::of('/'.$name, $request->query((string) $name), ...($known === [] ? ['http.no_query'] : ['http.query', ['list' => $known]]));
            }
        }
    }
}
