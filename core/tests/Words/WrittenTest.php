<?php

declare(strict_types=1);

use Compadre\Core\Data\Json;
use Compadre\Core\Words\Catalogue;
use Compadre\Core\Words\Day;
use Compadre\Core\Words\Saying;
use Compadre\Core\Words\Within;
use Compadre\Core\Words\Written;

it('writes down what is said, and reads it as it was', function (Saying $saying): void {
    expect(Written::read(Written::text($saying)))->toEqual($saying);
    // Kept within other JSON it is the same.
    expect(Written::read(Json::arrays(Json::read(Json::write(Written::value($saying))))))->toEqual($saying);
    expect(Catalogue::english()->say(Written::read(Written::text($saying))))->toBe(Catalogue::english()->say($saying));
})->with([
    'nothing put in' => [new Saying('teaching.welcome')],
    'a number' => [new Saying('teaching.award', ['badges' => 3])],
    'a share' => [new Saying('rope.piece_poles', ['pole' => 40.5])],
    'a name within' => [new Saying('checking.next_has', ['knot' => new Within('Bowline')])],
    'a saying within another' => [new Saying('practice.not_that', ['knot' => new Saying('practice.the', ['knot' => new Within('Bowline')]), 'why' => new Within(new Saying('practice.for_else'))])],
    'a day' => [new Saying('http.moved.message', ['group' => 'Gullwick', 'on' => new Day('2026-11-24')])],
    'a list' => [new Saying('teaching.rig_uses', ['knots' => ['Bowline', 'Sheet bend']])],
    'a list of sayings' => [new Saying('practice.spoken_ways', ['ways' => [new Saying('practice.spoken_over'), new Saying('practice.spoken_under')]])],
    'two sentences' => [Saying::sentences([new Saying('teaching.time_to_use'), new Saying('teaching.use_bend')])],
]);

it('leaves what was written as a sentence as it is, and makes nothing of nonsense', function (mixed $written, string $said): void {
    expect(Catalogue::english()->say(Written::read($written)))->toBe($said);
})->with([
    'a sentence' => ['Has it: tie the bowline again at the next meeting to keep it.', 'Has it: tie the bowline again at the next meeting to keep it.'],
    'one that begins with a brace' => ['{ is no JSON', '{ is no JSON'],
    'nothing' => ['', ''],
    'no text' => [null, ''],
    'a number' => [7, ''],
    'JSON without a code' => ['{"a":1}', ''],
]);
