<?php

declare(strict_types=1);

use Compadre\Core\Data\Json;
use Compadre\Core\Data\Schema;

/** @return array{int, mixed, mixed} exit code, standard output and standard error as JSON */
function compute(string $operation, string $input): array
{
    $process = proc_open([PHP_BINARY, dirname(__DIR__, 2).'/bin/compute', $operation], [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes, sys_get_temp_dir());
    fwrite($pipes[0], $input);
    fclose($pipes[0]);
    $out = (string) stream_get_contents($pipes[1]);
    $error = (string) stream_get_contents($pipes[2]);

    return [proc_close($process), $out === '' ? '' : json_decode($out, true), $error === '' ? '' : json_decode($error, true)];
}

const TERM = '{"now":"2026-11-25T18:00:00Z","settings":{"pace":"soon"},"learners":[{"id":"ada","band":"11-13","badges":["b"],"levels":{"overhand":"has_it"},"away":["first"]},{"id":"ben","band":"11-13","badges":["b"]}],'
    .'"badges":[{"pack":{"id":"b","version":1,"name":"B","about":"A badge.","ages":{"from":5,"to":9},"requirement":{"all":[{"knot":"bowline","level":"kept"}]}},"due_on":"2026-12-09"}],'
    .'"meetings":[{"id":"third","date":"2026-12-09","minutes":60,"checkers":2},{"id":"gone","date":"2026-11-18","minutes":60,"checkers":2},{"id":"first","date":"2026-11-25","minutes":60,"checkers":2},{"id":"second","date":"2026-12-02","minutes":60,"checkers":2}]}';

it('lists its operations with schemas, and answers as they say', function (): void {
    [$code, $listed] = compute('--list', '');
    expect($code)->toBe(0);
    expect(array_keys($listed['operations']))->toContain('knots', 'knot', 'tail', 'due', 'verdict');
    foreach ([
        'knots' => '{}', 'knot' => '{"knot":"square-knot","view":"behind","step":2}', 'tail' => '{"knot":"bowline","diameter_mm":8,"material":"nylon","measured_mm":90,"measured_by":"finger"}',
        'due' => '{"results":[{"knot":"bowline","day":"2026-11-01","verdict":"has_it"}],"now":"2026-11-24T18:00:00Z"}',
        'verdict' => '{"knot":"bowline","tying":"yes","dressing":"yes","tail":"yes","now":"2026-11-24"}',
        'cut' => '{"pieces":[{"length_mm":1000,"count":3}],"stock":[{"id":"a","length_mm":3040}]}',
        'lashing' => '{"kind":"tripod-woven","poles_mm":[40,40,40],"diameter_mm":6,"leg_mm":2000,"foot_radius_mm":1200}',
        'line' => '{"span_mm":6000,"sag_mm":200,"mid_load_n":100}', 'friction' => '{"material":"natural","object":"wood","turns":1.5}',
        'plan' => TERM, 'verify' => '{"file":"'.base64_encode('e30.e30.e30').'","issuers":[],"status":[],"now":"2026-11-24"}',
    ] as $operation => $input) {
        [$code, $answer] = compute($operation, $input);
        expect($code)->toBe(0);
        Schema::hold(json_decode(Json::write($answer)), $listed['operations'][$operation]['output']);
    }
});

/** @return list<array{float, float, float}> a trefoil */
function trefoilPoints(int $count): array
{
    return array_map(static fn (int $k): array => [sin(2 * M_PI * $k / $count) + 2 * sin(4 * M_PI * $k / $count), cos(2 * M_PI * $k / $count) - 2 * cos(4 * M_PI * $k / $count), -sin(6 * M_PI * $k / $count)], range(0, $count - 1));
}

it('draws up closed curves, and a knot, as its schema says', function (): void {
    [, $listed] = compute('--list', '');
    [$code, $closed] = compute('space', Json::write(['closed' => [trefoilPoints(120)], 'diameter' => 0.4]));
    expect($code)->toBe(0)->and($closed['ropelength'])->toBeGreaterThan(16.3)->toBeLessThan(16.37 * 1.03)->and($closed['proof'])->toBe(['directions' => 3, 'same' => true]);
    Schema::hold(json_decode(Json::write($closed)), $listed['operations']['space']['output']);
    expect($closed['strands'])->toBe($closed['frames'][count($closed['frames']) - 1]['strands'])->and($closed['contacts'])->not->toBe([]);
    // The first frame is the curve as it came, in diameters.
    expect($closed['frames'][0]['strands'][0]['points'][5])->toEqualWithDelta(array_map(static fn (float $value): float => $value / 0.4, trefoilPoints(120)[5]), 1e-3);
    [$code, $knot] = compute('space', '{"knot":"figure-eight"}');
    expect($code)->toBe(0)->and($knot['proof']['same'])->toBeTrue()->and($knot['rope_in_knot'])->toBeGreaterThan(10)->and($knot)->not->toHaveKey('ropelength');
    Schema::hold(json_decode(Json::write($knot)), $listed['operations']['space']['output']);
    [, $loose] = compute('space', '{"knot":"figure-eight","tight":0}');
    expect($loose['strands'])->toBe($knot['frames'][0]['strands'])->and($loose['strands'])->not->toBe($knot['strands']);
    expect(compute('space', '{"knot":"clove-hitch"}')[1]['objects'][0])->toMatchArray(['kind' => 'pole', 'radius' => 3.2]);
});

it('refuses ropes in space that cannot be', function (array $input, string $field, string $allowed): void {
    [$code, , $error] = compute('space', Json::write($input));
    expect($code)->toBe(2)->and($error['error']['field'])->toBe($field)->and($error['error']['allowed'])->toContain($allowed);
})->with([
    'seven points' => [['closed' => [trefoilPoints(7)], 'diameter' => 0.1], '/closed/0', '8'],
    'too thick' => [['closed' => [trefoilPoints(60)], 'diameter' => 4], '/diameter', 'at most 1.'],
    'no thickness' => [['closed' => [trefoilPoints(60)], 'diameter' => 0], '/diameter', 'more than 0'],
    'curves that lie in each other' => [['closed' => [trefoilPoints(60), trefoilPoints(60)], 'diameter' => 0.1], '/closed', 'may not touch or cross'],
    'far away' => [['closed' => [[[2e6, 0, 0], ...array_slice(trefoilPoints(20), 1)]], 'diameter' => 0.1], '/closed/0/0/0', 'at most 1000000'],
    'two numbers for three' => [['closed' => [[[1, 2], ...array_slice(trefoilPoints(20), 1)]], 'diameter' => 0.1], '/closed/0/0', '3'],
    'no knot' => [['knot' => 'sailors-delight'], '/knot', 'bowline'],
    'no method' => [['knot' => 'bowline', 'method' => 'sideways'], '/method', 'tail-outside'],
    'tighter than tight' => [['knot' => 'bowline', 'tight' => 1.2], '/tight', 'at most 1'],
    'a lashing of one pole' => [['lashing' => ['kind' => 'square', 'poles_mm' => [60], 'diameter_mm' => 6]], '/lashing/poles_mm', '2'],
    'a lashing of thin poles' => [['lashing' => ['kind' => 'shear', 'poles_mm' => [60, 4], 'diameter_mm' => 6]], '/lashing/poles_mm/1', '1.5'],
    'a lashing of no kind' => [['lashing' => ['kind' => 'granny', 'poles_mm' => [60, 60], 'diameter_mm' => 6]], '/lashing/kind', 'tripod-plain'],
    'poles side by side at an angle' => [['lashing' => ['kind' => 'shear', 'poles_mm' => [60, 60], 'diameter_mm' => 6, 'angle_deg' => 60]], '/lashing/angle_deg', 'side by side'],
    'nothing' => [['diameter' => 1], '/knot', 'needed'],
    'pulling where nothing holds against it' => [['knot' => 'figure-eight', 'pull' => true], '/pull', 'a load'],
    'pulling at a lashing' => [['knot' => 'square-lashing', 'pull' => true], '/pull', 'no lashing'],
    'pulling in no rope' => [['knot' => 'square-knot', 'pull' => true, 'rope' => ['material' => 'wire']], '/rope/material', 'nylon'],
]);

it('pulls at a knot, as its schema says', function (): void {
    [, $listed] = compute('--list', '');
    [$code, $thief] = compute('space', '{"knot":"thief-knot","pull":true,"rope":{"material":"polyester","lay":"braided"}}');
    expect($code)->toBe(0)->and($thief['pull'])->toMatchArray(['result' => 'falls_out'])->and($thief['pull']['travel'])->toBeGreaterThan(4)->and($thief['pull']['reason'])->toContain('real ropes are tested')->not->toContain('believe the hand');
    expect(compute('space', '{"knot":"larks-head","pull":true}')[1]['pull']['reason'])->toContain('believe the hand');
    Schema::hold(json_decode(Json::write($thief)), $listed['operations']['space']['output']);
});

it('builds a lashing in space', function (): void {
    [$code, $made] = compute('space', '{"lashing":{"kind":"shear","poles_mm":[24,24],"diameter_mm":8,"wraps":2,"fraps":1}}');
    expect($code)->toBe(0)->and($made['proof']['same'])->toBeTrue()->and($made['objects'])->toHaveCount(2)->and($made['objects'][0]['radius'])->toEqual(1.5);
    expect(array_keys($made['laid']))->toBe(['hitch', 'wrap 1', 'wrap 2', 'frap 1', 'end'])->and($made['frames'][0]['min_distance'])->toBeGreaterThan(0.97);
    // Kept, at once.
    [, $kept] = compute('space', '{"knot":"square-lashing","tight":0}');
    expect($kept['proof']['same'])->toBeTrue()->and($kept['strands'])->toEqual($kept['frames'][0]['strands'])->and($kept['laid'])->toHaveKey('wrap 3');
});

it('says how much rope a knot takes', function (): void {
    // 20 x 8 + 600, a tail of 96, and set out at 600 + 64 + 96.
    expect(compute('rope-use', '{"knot":"bowline","diameter_mm":8,"material":"nylon","loop_mm":600}')[1])->toMatchArray(['used_mm' => 760, 'tail_mm' => 96, 'total_mm' => 856, 'set_out_mm' => 760]);
    [, $clove] = compute('rope-use', '{"knot":"clove-hitch","diameter_mm":6,"material":"polyester","turns":[{"object_mm":60,"turns":2}]}');
    expect($clove['used_mm'])->toEqualWithDelta(450.69, 0.01)->and($clove)->not->toHaveKey('set_out_mm');
    // The clove hitch in space takes more than a fifth more: the starting value stays. The overhand knot does not.
    expect($clove['basis'])->toBe('start')->and($clove['reason'])->toContain('drawn up in space the knot takes');
    [, $overhand] = compute('rope-use', '{"knot":"overhand","diameter_mm":10,"material":"polyester"}');
    expect($overhand['basis'])->toBe('space')->and($overhand['used_mm'])->toEqualWithDelta(10 * compute('space', '{"knot":"overhand"}')[1]['rope_in_knot'], 0.01);
    [$code, , $error] = compute('rope-use', '{"knot":"clove-hitch","diameter_mm":6,"material":"polyester","turns":[{"object_mm":-1,"turns":2}]}');
    expect($code)->toBe(2)->and($error['error']['field'])->toBe('/turns/0/object_mm');
});

it('gives a lashing without a fingerprint, and a bight with both its sides', function (): void {
    [$code, $tripod] = compute('knot', '{"knot":"tripod-lashing-plain"}');
    expect($code)->toBe(0)->and($tripod['invariants'])->toMatchArray(['ropes' => 1])->not->toHaveKey('fingerprint');
    [, $half] = compute('knot', '{"knot":"figure-eight-loop","step":2}');
    // Laid over both standing strands: each strand of the bight crosses two.
    expect($half['crossings'])->toHaveCount(4);
    expect(compute('mistakes', '{"knot":"square-lashing"}')[1])->toBe(['mistakes' => []]);
});

it('plans a term by hand', function (): void {
    [$code, $plan] = compute('plan', TERM);
    expect($code)->toBe(0)->and(array_column($plan['meetings'], 'id'))->toBe(['first', 'second', 'third']);
    // Ben learns both on the first evening and keeps the bowline on the second; Ada, away then, learns it on the second and keeps it on the third.
    $places = static fn (array $plan, string $knot): array => array_map(static fn (array $meeting): array => array_merge([], ...array_map(
        static fn (array $round): array => array_merge([], ...array_map(static fn (array $station): array => $station['knot'] === $knot ? $station['learners'] : [], $round['stations'])), $meeting['rounds'])), $plan['meetings']);
    expect($places($plan, 'bowline'))->toBe([['ben'], ['ada'], []])->and(array_column($plan['meetings'][1]['old'], 'knot'))->toContain('bowline')->and(array_column($plan['meetings'][2]['old'], 'knot'))->toContain('bowline');
    expect($plan['unmet'])->toBe([])->and(array_slice($plan['objective'], 0, 2))->toEqual([0, 5])->and($plan['proven'])->toBe(4)->and($plan['bound'])->toEqual($plan['objective']);
    $promised = json_decode(TERM, true) + ['previous' => [['learner' => 'ada', 'knot' => 'bowline', 'kind' => 'lesson', 'meeting' => 'second'], ['learner' => 'ben', 'knot' => 'bowline', 'kind' => 'old', 'meeting' => 'first']]];
    // Nobody can tie again on the first evening what is learned on it.
    expect(compute('plan', Json::write($promised))[1]['moved'])->toBe([['learner' => 'ben', 'knot' => 'bowline', 'kind' => 'old', 'from' => 'first', 'to' => 'second']]);
    $pinned = json_decode(TERM, true) + ['pins' => [['knot' => 'bowline', 'meeting' => 'third']]];
    $late = compute('plan', Json::write($pinned))[1];
    expect($late['unmet'][0])->toMatchArray(['learner' => 'ada', 'badge' => 'b', 'leaf' => ['knot' => 'bowline', 'level' => 'kept'], 'cause' => 'pin'])->and($late['unmet'][0]['remedy'])->toMatchArray(['change' => ['kind' => 'unpin', 'what' => 'bowline', 'by' => 1], 'brings' => 2]);
});

it('finds a tail', function (): void {
    expect(compute('tail', '{"knot":"bowline","diameter_mm":10,"material":"nylon","wet":true,"backup":true,"measured_mm":200}'))
        ->toMatchArray([0 => 0])
        ->and(compute('tail', '{"knot":"bowline","diameter_mm":10,"material":"nylon","wet":true,"backup":true,"measured_mm":200}')[1])
        ->toMatchArray(['required_mm' => 272, 'uncertainty_mm' => 3, 'verdict' => 'short']);
    expect(compute('tail', '{"knot":"overhand","diameter_mm":3,"material":"natural","school":"diameters"}')[1])->toMatchArray(['required_mm' => 11, 'verdict' => null]);
});

it('tells what is due', function (): void {
    [, $answer] = compute('due', '{"results":[{"knot":"overhand","day":"2026-11-01","verdict":"has_it"},{"knot":"overhand","day":"2026-11-08","verdict":"with_help"},{"knot":"clove-hitch","day":"2026-11-08","verdict":"tie_again"}],"now":"2026-11-18"}');
    // 7 x 1.4 = 9.8 days; ten days later 2^(-10/9.8).
    expect($answer['knots'][0])->toMatchArray(['knot' => 'overhand', 'half_life_days' => 9.8, 'due' => true]);
    expect($answer['knots'][0]['chance'])->toEqualWithDelta(2 ** (-10 / 9.8), 1e-6);
    expect($answer['knots'][1])->toBe(['knot' => 'clove-hitch', 'chance' => null, 'half_life_days' => null, 'due' => false]);
});

it('gives a verdict with its level from the history', function (): void {
    $pass = ['knot' => 'square-knot', 'tying' => 'yes', 'dressing' => 'yes', 'tail' => 'yes', 'now' => '2026-11-24'];
    expect(compute('verdict', Json::write($pass))[1])->toMatchArray(['verdict' => 'has_it', 'level' => 'has_it', 'mistakes' => [], 'rule_version' => 2]);
    expect(compute('verdict', Json::write($pass + ['history' => [['day' => '2026-11-17', 'verdict' => 'has_it']]]))[1])->toMatchArray(['level' => 'kept']);
    $wrong = compute('verdict', Json::write(['tying' => 'no', 'mistake' => 'granny-knot'] + $pass))[1];
    expect($wrong)->toMatchArray(['verdict' => 'tie_again', 'level' => 'seen']);
    expect($wrong['mistakes'][0])->toMatchArray(['id' => 'granny-knot']);
    $short = ['tail' => 'not_looked', 'how' => 'measured', 'measured_mm' => 40, 'rope' => ['diameter_mm' => 10, 'material' => 'polyester']] + $pass;
    expect(compute('verdict', Json::write($short))[1])->toMatchArray(['verdict' => 'feed_tail']);
});

it('draws a knot as far as a step', function (): void {
    $whole = compute('knot', '{"knot":"overhand"}')[1];
    expect(array_column($whole['strands'], 'word'))->toBe(['uououo']);
    expect($whole['crossings'])->toHaveCount(3);
    expect($whole['faces'])->toBe(4);
    expect(compute('knot', '{"knot":"overhand","step":1}')[1]['crossings'])->toHaveCount(1);
    expect(compute('knot', '{"knot":"overhand","view":"left"}')[1]['crossings'][0]['sign'])->toBe(-$whole['crossings'][0]['sign']);
    expect(compute('knot', '{"knot":"clove-hitch"}')[1]['crossings'])->toHaveCount(7);
});

it('refuses with exit 2, nothing on standard output, and the field on standard error', function (string $operation, string $input, string $field, mixed $value): void {
    [$code, $out, $error] = compute($operation, $input);
    expect($code)->toBe(2);
    expect($out)->toBe('');
    expect($error['error'])->toHaveKeys(['field', 'value', 'allowed', 'message']);
    expect($error['error']['field'])->toBe($field);
    expect($error['error']['value'])->toBe($value);
    expect($error['error']['allowed'])->not->toBeEmpty();
})->with([
    'unknown operation' => ['guess', '{}', '', 'guess'],
    'no JSON' => ['tail', '{"knot":', '', '{"knot":'],
    'a list' => ['tail', '[]', '', []],
    'an unknown field' => ['knots', '{"x":1}', '/x', 1],
    'a missing field' => ['tail', '{"knot":"bowline","material":"nylon"}', '/diameter_mm', null],
    'a number given as a text' => ['tail', '{"knot":"bowline","diameter_mm":"8","material":"nylon"}', '/diameter_mm', '8'],
    'negative' => ['tail', '{"knot":"bowline","diameter_mm":-8,"material":"nylon"}', '/diameter_mm', -8],
    'unknown material' => ['tail', '{"knot":"bowline","diameter_mm":8,"material":"silk"}', '/material', 'silk'],
    'unknown knot' => ['tail', '{"knot":"tangle","diameter_mm":8,"material":"nylon"}', '/knot', 'tangle'],
    'unknown method' => ['knot', '{"knot":"bowline","method":"magic"}', '/method', 'magic'],
    'a step too many' => ['knot', '{"knot":"bowline","step":40}', '/step', 40],
    'a day that is none' => ['due', '{"results":[{"knot":"bowline","day":"2026-13-01","verdict":"has_it"}],"now":"2026-11-24"}', '/results/0/day', '2026-13-01'],
    'an unknown knot deep down' => ['due', '{"results":[{"knot":"tangle","day":"2026-11-01","verdict":"has_it"}],"now":"2026-11-24"}', '/results/0/knot', 'tangle'],
    'an unknown verdict' => ['due', '{"results":[{"knot":"bowline","day":"2026-11-01","verdict":"failed"}],"now":"2026-11-24"}', '/results/0/verdict', 'failed'],
    'three prompts' => ['verdict', '{"knot":"bowline","tying":"yes","dressing":"yes","tail":"yes","prompts":3,"now":"2026-11-24"}', '/prompts', 3],
    'both loads of a line' => ['line', '{"span_mm":6000,"sag_mm":200,"mid_load_n":100,"even_load_n_per_m":3}', '/mid_load_n', 100.0],
    'a sag of nothing' => ['line', '{"span_mm":6000,"sag_mm":0,"mid_load_n":100}', '/sag_mm', 0],
    'two poles of a tripod' => ['lashing', '{"kind":"tripod-plain","poles_mm":[40,40],"diameter_mm":6}', '/poles_mm', [40.0, 40.0]],
    'feet of a square lashing' => ['lashing', '{"kind":"square","poles_mm":[40,40],"diameter_mm":6,"leg_mm":2000,"foot_radius_mm":900}', '/leg_mm', 2000.0],
    'a stock twice' => ['cut', '{"pieces":[],"stock":[{"id":"a","length_mm":5},{"id":"a","length_mm":6}]}', '/stock/1/id', 'a'],
    'a fraction of a piece' => ['cut', '{"pieces":[{"length_mm":100,"count":1.5}],"stock":[]}', '/pieces/0/count', 1.5],
    'a meeting of no minutes' => ['plan', '{"now":"2026-11-25","learners":[],"badges":[],"meetings":[{"id":"m","date":"2026-11-25","minutes":0,"checkers":2}]}', '/meetings/0/minutes', 0],
    'a learner twice' => ['plan', '{"now":"2026-11-25","learners":[{"id":"a","band":"14+","badges":[]},{"id":"a","band":"14+","badges":[]}],"badges":[],"meetings":[]}', '/learners/1/id', 'a'],
    'a badge nobody knows' => ['plan', '{"now":"2026-11-25","learners":[{"id":"a","band":"14+","badges":["none"]}],"badges":[],"meetings":[]}', '/learners/0/badges/0', 'none'],
    'a part the knot has, declared absent' => ['verdict', '{"knot":"bowline","tying":"yes","dressing":"yes","tail":"not_applicable","now":"2026-11-24"}', '/tail', 'not_applicable'],
]);

it('computes Jones polynomials as the contract says', function (): void {
    expect(compute('jones', '{"pd":[[1,5,2,4],[3,1,4,6],[5,3,6,2]]}')[1])->toBe(['jones' => ['2' => 1, '6' => 1, '8' => -1], 'crossings' => 3, 'components' => 1, 'writhe' => 3]);
    expect(compute('jones', '{"pd":[]}')[1])->toBe(['jones' => ['0' => 1], 'crossings' => 0, 'components' => 1, 'writhe' => 0]);
    // Maps are objects also when their keys are numbers in a row.
    $process = proc_open([PHP_BINARY, dirname(__DIR__, 2).'/bin/compute', 'jones'], [['pipe', 'r'], ['pipe', 'w']], $pipes);
    fwrite($pipes[0], '{"pd":[[1,1,2,2]]}');
    fclose($pipes[0]);
    expect((string) stream_get_contents($pipes[1]))->toContain('{"jones":{"0":1}');
    proc_close($process);
});

it('refuses diagrams that are none', function (string $pd, string $field): void {
    [$code, $out, $error] = compute('jones', "{\"pd\":$pd}");
    expect($code)->toBe(2)->and($out)->toBe('')->and($error['error']['field'])->toBe($field);
    expect($error['error'])->toHaveKeys(['field', 'value', 'allowed', 'message']);
})->with([
    'an edge once' => ['[[1,5,2,4],[3,1,4,6],[5,3,6,5]]', '/pd/2/3'],
    'three edges' => ['[[1,2,3]]', '/pd/0'],
    'a text' => ['[["1",2,1,2]]', '/pd/0/0'],
    'not planar' => ['[[1,3,2,4],[2,4,1,3]]', '/pd'],
    'no list' => ['7', '/pd'],
]);

it('lists mistakes and names what was tied, as its schemas say', function (): void {
    [, $listed] = compute('--list', '');
    foreach (['mistakes' => '{"knot":"clove-hitch","method":"wrapped"}', 'name' => '{"knot":"square-knot","answers":{"left":"uou?uo"}}', 'knot' => '{"knot":"granny-knot"}'] as $operation => $input) {
        [$code, $answer] = compute($operation, $input);
        expect($code)->toBe(0);
        Schema::hold(json_decode(Json::write($answer)), $listed['operations'][$operation]['output']);
    }
    $found = compute('mistakes', '{"knot":"clove-hitch"}')[1]['mistakes'];
    expect($found[0])->toMatchArray(['error' => 'second-half', 'crossing' => null, 'becomes' => ['kind' => 'knot', 'knot' => 'larks-head']]);
    expect(compute('knot', '{"knot":"granny-knot"}')[1]['hold'])->toEqual(['crossings' => 6, 'tau' => 0.0, 'gamma' => 0.8]);
    expect(compute('knot', '{"knot":"bowline"}')[1])->not->toHaveKey('hold');
    expect(compute('name', '{"knot":"square-knot","answers":{"left":"uououo"}}')[1]['guesses'][0])->toMatchArray(['knot' => 'granny-knot', 'against' => 0, 'step' => 3]);
    foreach (['mistakes' => '{"knot":"tangle"}', 'name' => '{"knot":"bowline","answers":{"rope":"ou"}}'] as $operation => $input) {
        expect(compute($operation, $input)[0])->toBe(2);
    }
});
