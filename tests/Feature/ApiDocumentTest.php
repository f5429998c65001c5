<?php

declare(strict_types=1);

use App\Http\ApiDocument;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Str;

it('describes every address there is, and none that is not', function (): void {
    $routes = [];
    foreach (Route::getRoutes() as $route) {
        if (str_starts_with($route->uri(), 'api/')) {
            foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                $routes[] = strtolower($method).' /'.$route->uri();
            }
        }
    }
    $described = [];
    foreach (app(ApiDocument::class)->paths() as $path => $operations) {
        foreach (array_intersect(array_keys($operations), ['get', 'post', 'put', 'patch', 'delete']) as $method) {
            $described[] = "$method $path";
        }
    }
    sort($routes);
    sort($described);
    expect($described)->toBe($routes);
});

it('names an operation and an answer for each', function (): void {
    foreach (app(ApiDocument::class)->paths() as $path => $operations) {
        foreach (array_intersect_key($operations, array_flip(['get', 'post', 'put', 'delete'])) as $method => $operation) {
            expect($operation)->toHaveKeys(['operationId', 'responses'], "$method $path");
        }
    }
});

it('answers what is not there with words', function (): void {
    $this->getJson('/api/nothing')->assertStatus(404)->assertJson(['message' => 'There is nothing at this address.', 'errors' => []]);
    $this->deleteJson('/api/house')->assertStatus(405);
});

it('serves the page at every other address, and nothing else', function (): void {
    $this->get('/crew/'.Str::uuid())->assertOk()->assertSee('id="app"', false);
    $this->get('/')->assertOk();
});

it('does not cover the addresses of the screens with those of the packs', function (): void {
    $this->get('/.env')->assertDontSee('APP_KEY');
});
