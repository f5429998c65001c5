<?php

declare(strict_types=1);

use App\Http\AnswersToKeep;
use App\Knots\KnotsToKeep;
use App\Models\Role;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Space\Untidy\UntidyFile;

beforeEach(function (): void {
    $this->crew = $this->group();
    $this->actingAs($this->person($this->crew));
});

it('says which badges want a knot, and how much of each rope it takes', function (): void {
    $bowline = $this->api('GET', '/api/knots/bowline')->assertOk()->json();
    expect($bowline['badges'])->toBe(['Rigger']);
    // 20 x 10 mm, and a tail of 10 x 10.
    expect($bowline['ropes'])->toHaveCount(1);
    expect($bowline['ropes'][0])->toMatchArray(['name' => 'Practice rope', 'usual' => true, 'used_mm' => 200, 'tail_mm' => 100, 'total_mm' => 300, 'object_mm' => null]);
    // Two and a half passes round a stave of 60 mm: 6 x 10 + 2.5 x pi x 70.
    expect($this->api('GET', '/api/knots/clove-hitch')->json('ropes.0'))->toMatchArray(['used_mm' => 610, 'object_mm' => 60]);
    // A knot in tape is tied in tape.
    expect($this->api('GET', '/api/knots/water-knot')->json('ropes.0'))->toMatchArray(['name' => '25 mm polyester braid tape', 'tail_mm' => 75]);
    $list = collect($this->api('GET', '/api/knots')->assertOk()->json('knots'))->keyBy('id');
    expect($list['two-half-hitches']['badges'])->toContain('Rigger')->and($list['monkeys-fist']['badges'] ?? [])->toBe([]);
    expect($list['overhand']['depth'])->toBe(0)->and($list['bowline']['depth'])->toBe(1)->and($list['truckers-hitch']['depth'])->toBe(2);
});

it('keeps wrong forms and what is for leaders from the list, the page and the files', function (): void {
    $ids = array_column($this->api('GET', '/api/knots')->json('knots'), 'id');
    expect($ids)->not->toContain('handcuff-knot', 'granny-knot')->toContain('square-lashing', 'water-knot', 'truckers-hitch');
    $this->api('GET', '/api/knots/handcuff-knot')->assertNotFound();
    $this->api('GET', '/api/knots/handcuff-knot/drawing.svg')->assertNotFound();
    $this->api('GET', '/api/knots/no-such-knot/drawing.svg')->assertNotFound();
});

it('gives what a device keeps of all knots a part at a time, each answer as it is at its own address', function (): void {
    mt_srand(46);
    $this->crew->update(['methods' => ['sheet-bend' => 'slip-loop']]);
    $knots = $this->api('GET', '/api/knots')->json('knots');
    $ways = array_sum(array_map(fn (array $knot): int => count($knot['methods']), $knots));
    $untidy = app(UntidyFile::class);
    $faults = array_sum(array_map(fn (KnotPack $knot): int => array_sum(array_map(fn (Method $way): int => count($untidy->faults($knot, $way)), UntidyFile::wanted($knot))), app(Library::class)->all()));
    $inSpace = $faults + array_sum(array_map(fn (array $knot): int => count($knot['in_space']), $knots));
    foreach (['learner' => [$ways, '/api/knots/sheet-bend?view=learner'], 'space' => [$inSpace, '/api/knots/sheet-bend/space?method=slip-loop']] as $part => [$count, $ofTheGroup]) {
        do {
            $told = $this->api('GET', "/api/knots-to-keep?part=$part")->assertOk()->json();
        } while (! $told['whole']);
        $answers = array_column($told['answers'], 'answer', 'address');
        expect($answers)->toHaveCount($count)->toHaveKey($ofTheGroup);
        foreach ([...array_rand($answers, 10), $ofTheGroup] as $address) {
            expect($answers[$address])->toBe($this->api('GET', $address)->assertOk()->json(), $address);
        }
    }
    // What takes long to compute anew is looked at of the first knots only.
    foreach (['across' => 'view=across', 'behind' => 'view=behind', 'left' => 'view=left', 'compared' => 'compared?view='] as $part => $asked) {
        $looked = 0;
        foreach (app(KnotsToKeep::class)->of($this->crew->refresh(), $part) as $address => $answer) {
            expect(json_decode((string) json_encode($answer), true))->toEqual($this->api('GET', $address)->assertOk()->json(), $address)->and($address)->toContain($asked);
            if (++$looked === 4) {
                break;
            }
        }
        expect($looked)->toBe(4);
    }
    expect($this->api('GET', '/api/knots/sheet-bend?view=learner')->json('method'))->toBe('slip-loop');
    $this->refused($this->api('GET', '/api/knots-to-keep'), '/part');
    $this->refused($this->api('GET', '/api/knots-to-keep?part=above'), '/part', 'compared');
});

it('answers with what there is of much where it takes long, and says so', function (): void {
    $computed = 0;
    $answers = function () use (&$computed): Generator {
        foreach (['/api/knots/bowline', '/api/knots/overhand', '/api/knots/sheet-bend'] as $address) {
            $computed++;
            yield $address => ['of' => $address];
        }
    };
    $said = fn (float $patience): array => json_decode((string) AnswersToKeep::of($answers(), $patience)->getContent(), true);
    // Each time something is computed, and kept where that is worth it: whoever asks again gets further.
    expect($said(0.0))->toBe(['answers' => [], 'whole' => false])->and($computed)->toBe(1);
    $whole = $said(INF);
    expect($whole['whole'])->toBeTrue()->and(array_column($whole['answers'], 'answer', 'address'))->toHaveCount(3)->toHaveKey('/api/knots/overhand', ['of' => '/api/knots/overhand']);
    expect(KnotsToKeep::patience('compared'))->toBeLessThan(30.0)->and(KnotsToKeep::patience('space'))->toBe(INF);
});

it('gives any step as a file', function (): void {
    $step = $this->get('/api/knots/bowline/drawing.svg?step=2&view=left')->assertOk()->assertHeader('Content-Type', 'image/svg+xml')->assertHeader('Content-Disposition', 'attachment; filename="bowline-step-2.svg"');
    $whole = $this->get('/api/knots/bowline/drawing.svg')->assertOk();
    $tight = $this->get('/api/knots/bowline/drawing.svg?tight=yes')->assertOk();
    foreach ([$step, $whole, $tight] as $answer) {
        expect(simplexml_load_string((string) $answer->getContent()))->not->toBeFalse();
    }
    expect($step->getContent())->not->toBe($whole->getContent())->and($tight->getContent())->not->toBe($whole->getContent());
    expect($this->get('/api/knots/bowline/drawing.svg?step=2')->getContent())->not->toBe($step->getContent());
    $this->refused($this->api('GET', '/api/knots/bowline/drawing.svg?step=40'), '/step', 'from 1 to');
    $this->refused($this->api('GET', '/api/knots/bowline/drawing.svg?step=0'), '/step');
    $this->refused($this->api('GET', '/api/knots/bowline/drawing.svg?method=sideways'), '/method', 'tail-outside');
});

it('gives a knot in space as a careless hand leaves it, where one is kept', function (): void {
    $told = $this->api('GET', '/api/knots/water-knot/compared')->assertOk()->json('untidy_in_space');
    expect($told)->toBe(['method' => 'followed-back', 'faults' => ['slack', 'crossed', 'curled']]);
    $tidy = $this->api('GET', '/api/knots/water-knot/space?method=followed-back')->assertOk()->json();
    foreach ($told['faults'] as $fault) {
        $untidy = $this->api('GET', "/api/knots/water-knot/space?method=followed-back&untidy=$fault")->assertOk()->json();
        // Only slack is drawn out of it.
        expect(count($untidy['frames']) > 1)->toBe($fault === 'slack')->and(array_column($untidy['ropes'], 'id'))->toBe(array_column($tidy['ropes'], 'id'));
        expect($untidy['frames'][0])->not->toBe($tidy['frames'][count($tidy['frames']) - 1]);
        foreach ($untidy['ropes'] as $number => $rope) {
            foreach ($untidy['frames'] as $frame) {
                expect($frame[$number])->toHaveCount(3 * $rope['points']);
            }
        }
    }
    expect($this->api('GET', '/api/knots/square-lashing/compared')->assertOk()->json('untidy_in_space.faults'))->toBe([]);
    $this->refused($this->api('GET', '/api/knots/square-knot/space?untidy=crossed'), '/untidy', 'kept with');
    $this->refused($this->api('GET', '/api/knots/square-knot/space?untidy=upside-down'), '/untidy', 'slack');
});

it('gives a knot as ropes in space, as it is kept, and as a picture from any side', function (): void {
    $space = $this->api('GET', '/api/knots/sheet-bend/space')->assertOk()->json();
    expect($space['ropes'])->toHaveCount(2)->and($space['method'])->toBe('tucked')->and($space['objects'])->toBe([]);
    foreach ($space['frames'] as $frame) {
        foreach ($frame as $number => $steps) {
            expect($steps)->toHaveCount(3 * $space['ropes'][$number]['points']);
        }
    }
    expect($this->api('GET', '/api/knots/sheet-bend/space?method=slip-loop')->json('frames.0.0'))->not->toBe($space['frames'][0][0]);
    expect($this->api('GET', '/api/knots/clove-hitch/space')->json('objects.0.kind'))->toBe('pole');
    $seen = fn (string $more): string => (string) $this->get("/api/knots/bowline/space.svg$more")->assertOk()->assertHeader('Content-Type', 'image/svg+xml')->getContent();
    expect(simplexml_load_string($seen('')))->not->toBeFalse();
    expect($seen('?yaw=40&pitch=-10'))->not->toBe($seen('?yaw=-40&pitch=-10'))->and($seen('?tight=0'))->not->toBe($seen('?tight=1'))->and($seen('?tight=1'))->toBe($seen(''));
    // As far as the rope has come in a step, in the same room; in the greys of a handout.
    $step = fn (int $number): string => (string) $this->get("/api/knots/square-lashing/space.svg?step=$number&ink=grey")->assertOk()->getContent();
    preg_match_all('/viewBox="[^"]+"/', $step(1).$step(2).$step(7), $rooms);
    expect(array_unique($rooms[0]))->toHaveCount(1)->and(strlen($step(2)))->toBeGreaterThan(strlen($step(1)))->and(strlen($step(7)))->toBeGreaterThan(strlen($step(2)));
    expect($step(1))->toContain('#f2f2f2')->not->toContain('#dba94c')->and($seen(''))->toContain('#dba94c')->not->toContain('#f2f2f2');
    $this->refused($this->get('/api/knots/bowline/space.svg?step=99'), '/step', 'from 1 to 6');
    $this->refused($this->get('/api/knots/bowline/space.svg?ink=invisible'), '/ink', 'grey');
    $this->refused($this->api('GET', '/api/knots/bowline/space?method=sideways'), '/method', 'tail-outside');
    // A lashing says how much of its rope is laid where the flat drawing has come to.
    $lashing = $this->api('GET', '/api/knots/square-lashing/space')->assertOk()->json();
    $comes = $lashing['ropes'][0]['comes'];
    expect($lashing['objects'])->toHaveCount(2)->and($comes)->toHaveCount(8)->and($comes[0])->toEqual([0, 0])->and($comes[7][1])->toEqual(1)->and($comes[7][0])->toEqual($lashing['ropes'][0]['length']);
    expect(array_column($comes, 0))->toBe(collect($comes)->pluck(0)->sort()->values()->all())->and($space['ropes'][0]['comes'])->toBe([]);
    // Pulled at: from tight to pulled, with what has become of it and what that is worth.
    $thief = $this->api('GET', '/api/knots/thief-knot/space?pulled=yes')->assertOk()->json();
    expect($thief['pulled'])->toMatchArray(['result' => 'falls_out'])->and($thief['pulled']['words'])->toStartWith('It came out')->and($thief['pulled']['model'])->toContain('real ropes are tested');
    expect($thief['frames'][0][0])->toHaveCount(3 * $thief['ropes'][0]['points'])->and($thief['frames'][0])->not->toBe($thief['frames'][count($thief['frames']) - 1]);
    expect($space['pulled'])->toBeNull();
    $this->refused($this->api('GET', '/api/knots/overhand/space?pulled=yes'), '/knot', 'pulled at');
    $this->refused($this->api('GET', '/api/knots/square-knot/space?pulled=hard'), '/pulled', 'yes');
    expect(collect($this->api('GET', '/api/knots/square-knot')->json('wrong'))->where('pulled', true)->pluck('in_space')->sort()->values()->all())->toBe(['granny-knot', 'grief-knot', 'thief-knot']);
    $this->refused($this->api('GET', '/api/knots/bowline/space.svg?yaw=sideways'), '/yaw');
    $this->refused($this->api('GET', '/api/knots/bowline/space.svg?tight=2'), '/tight');
    $this->api('GET', '/api/knots/handcuff-knot/space')->assertNotFound();
    $this->api('GET', '/api/knots/no-such-knot/space.svg')->assertNotFound();
    expect($this->api('GET', '/api/knots/bowline')->json('in_space'))->toBeTrue()->and($this->api('GET', '/api/knots/square-lashing')->json('in_space'))->toBeTrue();
    // A mistake that has become a knot of its own can be turned beside the right one.
    expect(collect($this->api('GET', '/api/knots/square-knot')->json('wrong'))->pluck('in_space'))->toContain('granny-knot', 'thief-knot');
    $list = collect($this->api('GET', '/api/knots')->json('knots'))->pluck('in_space', 'id');
    expect($list['bowline'])->toContain('tail-outside')->and($list['square-lashing'])->toBe(['clove-wraps-fraps']);
    // The rope in the hand: a practice rope of natural fibre is laid.
    expect($this->api('GET', '/api/knots/bowline')->json('ropes.0.laid'))->toBeBool();
});

it('says what a learner may learn next', function (): void {
    [$ada] = $this->learners($this->crew, 'Ada P.');
    $next = $this->api('GET', "/api/learners/{$ada->id}/next")->assertOk()->json('knots');
    expect($next)->toContain('overhand')->not->toContain('bowline', 'handcuff-knot');
    $this->send($this->pass($ada, 'overhand'))->assertOk();
    expect($this->api('GET', "/api/learners/{$ada->id}/next")->json('knots'))->toContain('bowline')->not->toContain('overhand');
    $other = $this->group('Another Crew');
    [$far] = $this->learners($other, 'Ivo S.');
    $this->api('GET', "/api/learners/{$far->id}/next")->assertNotFound();
});

it('stands every caution beside its knot', function (): void {
    $library = app(Library::class);
    foreach ($library->all() as $knot) {
        if ($knot->cautions !== [] && $knot->audience === 'all' && ! $knot->isMistake) {
            expect($this->api('GET', "/api/knots/{$knot->id}")->json('cautions'))->toBe($knot->cautions);
        }
    }
    expect(array_filter($library->all(), static fn ($knot): bool => $knot->cautions !== []))->not->toBeEmpty();
});

it('checks a knot in tape', function (): void {
    $this->learners($this->crew, 'Ada P.');
    expect($this->api('GET', '/api/check/water-knot')->assertOk()->json('tail.required_mm'))->toBe(75);
});

it('needs somebody signed in', function (): void {
    $this->app['auth']->forgetGuards();
    $this->flushSession();
    foreach (['/api/knots', '/api/knots/bowline', '/api/knots/bowline/drawing.svg'] as $address) {
        $this->json('GET', $address)->assertUnauthorized();
    }
    expect(Role::cases())->not->toBeEmpty();
});
