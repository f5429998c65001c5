<?php

declare(strict_types=1);

use Compadre\Core\Knots\Library;

it('reaches nothing that is for leaders only by any address, from any knot, method or mistake', function (): void {
    [$group, , [$tonight]] = $this->term();
    $library = app(Library::class);
    $secret = array_filter($library->all(), fn ($knot): bool => ! $knot->isForAll());
    expect($secret)->not->toBe([]);
    $words = array_merge(...array_map(fn ($knot): array => [$knot->id, ...array_map(mb_strtolower(...), $knot->names)], array_values($secret)));
    $clean = function (string $address) use ($words): void {
        $said = mb_strtolower((string) $this->get($address)->assertOk()->getContent());
        foreach ($words as $word) {
            expect(str_contains($said, $word))->toBeFalse("$address says \"$word\"");
        }
    };
    foreach (array_keys($secret) as $id) {
        foreach (["/api/knots/$id", "/api/knots/$id/compared", "/api/knots/$id/drawing.svg", "/api/knots/$id/space", "/api/knots/$id/space.svg", "/api/check/$id"] as $address) {
            $this->get($address)->assertNotFound();
        }
        $this->refused($this->api('POST', '/api/screens', ['knot' => $id, 'step' => 1, 'steps' => 2]), '/knot');
        $this->refused($this->send($this->pass($group->learners()->firstOrFail(), $id)), '/events/0/knot');
    }
    foreach (['/api/knots', '/api/badges', '/api/course', '/api/crew', '/api/group', "/api/meetings/{$tonight->id}", "/api/meetings/{$tonight->id}/pack", '/api/learners/'.$group->learners()->firstOrFail()->id] as $address) {
        $clean($address);
    }
    // Every knot as it is shown, with its usual mistakes, their pictures and the questions that narrow them down.
    foreach (array_filter($library->all(), fn ($knot): bool => $knot->isForAll()) as $knot) {
        foreach ($knot->methodIds() as $method) {
            $clean("/api/knots/{$knot->id}?view=learner&method=$method");
            $clean("/api/knots/{$knot->id}/compared?view=learner&method=$method");
        }
    }
});
