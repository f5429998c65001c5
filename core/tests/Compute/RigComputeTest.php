<?php

declare(strict_types=1);

use Compadre\Core\Compute\Command;
use Compadre\Core\Compute\RigOperation;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Data\Schema;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Friction;
use Compadre\Core\Rigs\RigShelf;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Space\FormFile;

function rigCommand(): Command
{
    static $command = null;

    return $command ??= new Command(dirname(__DIR__, 3).'/packs');
}

/** @return array<string, mixed> */
function asked(string $operation, array $input): array
{
    $answer = rigCommand()->run($operation, Json::write($input));
    $listed = Json::arrays(Json::read(rigCommand()->list()));
    Schema::hold(Json::read($answer), $listed['operations'][$operation]['output']);

    return Json::arrays(Json::read($answer));
}

const SIX = ['diameter_mm' => 6, 'material' => 'polyester'];

const TRIPOD = ['leg_mm' => 2000, 'foot_radius_mm' => 850, 'poles_mm' => [60, 60, 60], 'school' => 'plain'];

it('publishes what each rig asks', function (): void {
    $listed = Json::arrays(Json::read(rigCommand()->list()));
    $rig = $listed['operations']['rig']['input'];
    expect($rig['properties']['rig']['enum'])->toHaveCount(18)->and($rig['allOf'])->toHaveCount(18);
    $tripod = array_values(array_filter($rig['allOf'], static fn (array $one): bool => $one['if']['properties']['rig']['const'] === 'tripod'))[0]['then']['properties']['answers'];
    expect($tripod['required'])->toBe(['leg_mm', 'foot_radius_mm', 'poles_mm', 'school'])->and($tripod['properties']['school']['enum'])->toBe(['plain', 'woven']);
});

it('answers a rig and a choice as their schemas say', function (): void {
    $answer = asked('rig', ['rig' => 'tripod', 'answers' => TRIPOD, 'rope' => SIX, 'sketch' => true]);
    expect($answer['figures']['height_mm'])->toEqualWithDelta(sqrt(2000 ** 2 - 850 ** 2), 0.01)->and($answer['sketch']['view'])->toBe('side')->and($answer['members'][0]['knots'])->toBe(['tripod-lashing-plain']);
    // The same rope as the lashing by itself.
    $lashing = asked('lashing', ['kind' => 'tripod-plain', 'poles_mm' => [60, 60, 60], 'diameter_mm' => 6]);
    expect($answer['members'][0]['length_mm'])->toEqualWithDelta($lashing['rope_mm'], 0.06);
    expect(asked('rig', ['rig' => 'bed-roll', 'answers' => ['length_mm' => 600, 'girth_mm' => 700], 'rope' => SIX]))->not->toHaveKey('sketch');
    expect(asked('choose', ['task' => 'stop', 'a' => ['kind' => 'rope'], 'load' => 'steady', 'undo' => 'after_load'])['answers'][0]['knot'])->toBe('figure-eight');
});

it('tells learners of what is gated no more than its purpose and its cautions', function (): void {
    $input = ['rig' => 'shear-legs', 'answers' => ['leg_mm' => 2500, 'feet_apart_mm' => 1800, 'poles_mm' => [70, 70]], 'rope' => SIX];
    $leaders = asked('rig', $input);
    $learners = asked('rig', ['audience' => 'learners'] + $input);
    expect($leaders['gates'])->not->toBe([])->and($leaders['cut'])->not->toBe([]);
    expect($learners['cut'])->toBe([])->and($learners['members'])->toBe([])->and($learners['figures'])->toBe([])->and($learners['advice'])->not->toBe([])->and(Json::write($learners))->not->toContain('_mm":');
    // What stands open is the same for all.
    expect(asked('rig', ['audience' => 'learners', 'rig' => 'tripod', 'answers' => TRIPOD, 'rope' => SIX])['cut'])->not->toBe([]);
});

it('refuses with field, value and what is allowed', function (string $operation, array $input, string $field, string $allowed): void {
    try {
        rigCommand()->run($operation, Json::write($input));
        $this->fail('it was not refused');
    } catch (Refusal $refusal) {
        expect($refusal->field)->toBe($field)->and($refusal->allowed)->toContain($allowed);
    }
})->with([
    'an unknown rig' => ['rig', ['rig' => 'crane', 'answers' => [], 'rope' => SIX], '/rig', 'tripod'],
    'no answers' => ['rig', ['rig' => 'bed-roll', 'answers' => new stdClass, 'rope' => SIX], '/answers/length_mm', 'needed'],
    'an answer of another rig' => ['rig', ['rig' => 'bed-roll', 'answers' => ['length_mm' => 600, 'girth_mm' => 700, 'leg_mm' => 1], 'rope' => SIX], '/answers/leg_mm', 'only'],
    'a number as a text' => ['rig', ['rig' => 'bed-roll', 'answers' => ['length_mm' => '600', 'girth_mm' => 700], 'rope' => SIX], '/answers/length_mm', 'number'],
    'no rope' => ['rig', ['rig' => 'bed-roll', 'answers' => ['length_mm' => 600, 'girth_mm' => 700]], '/rope', 'needed'],
    'rope of nothing' => ['rig', ['rig' => 'bed-roll', 'answers' => ['length_mm' => 600, 'girth_mm' => 700], 'rope' => ['diameter_mm' => 0] + SIX], '/rope/diameter_mm', '0'],
    'legs too flat' => ['rig', ['rig' => 'tripod', 'answers' => ['foot_radius_mm' => 1240] + TRIPOD, 'rope' => SIX], '/answers/foot_radius_mm', '0.55'],
    'a task nobody has' => ['choose', ['task' => 'decorate', 'a' => ['kind' => 'rope'], 'load' => 'none', 'undo' => 'any'], '/task', 'join'],
    'something nothing is bound with' => ['choose', ['task' => 'bind', 'a' => ['kind' => 'ring'], 'load' => 'none', 'undo' => 'any'], '/a/kind', 'bundle'],
    'an unknown knot' => ['choose', ['task' => 'stop', 'a' => ['kind' => 'rope'], 'load' => 'none', 'undo' => 'any', 'has' => ['stoat-knot']], '/has/0', 'bowline'],
    'a rope as thick as a tree' => ['choose', ['task' => 'stop', 'a' => ['kind' => 'rope', 'diameter_mm' => 300], 'load' => 'none', 'undo' => 'any'], '/a/diameter_mm', 'at most 100'],
    'a field nobody knows' => ['choose', ['task' => 'stop', 'a' => ['kind' => 'rope'], 'load' => 'none', 'undo' => 'any', 'colour' => 'red'], '/colour', 'only'],
]);

it('holds an input to its own rig as it would to all of them', function (): void {
    mt_srand(18);
    $packs = dirname(__DIR__, 3).'/packs';
    $library = Library::at($packs);
    $rope = Fields::of(Json::arrays(Json::file("$packs/materials/rope.json")));
    $shelf = RigShelf::at($packs, $library);
    $operation = new RigOperation($shelf, $library, TailRule::fromPack($rope), Friction::fromPack($rope), new FormFile($packs));
    $whole = $operation->input();
    $said = static function (mixed $asked, array $schema): ?string {
        try {
            Schema::hold($asked, $schema);
        } catch (Refusal $refusal) {
            return $refusal->field;
        }

        return null;
    };
    [$good, $bad] = [0, 0];
    foreach ($shelf->ids() as $id) {
        foreach (range(0, 9) as $case) {
            $answers = $shelf->rig($id)->starts();
            $spoilt = array_rand($answers);
            $case > 0 && $answers[$spoilt] = [null, 'much', -1, [], 1e9, true][mt_rand(0, 5)];
            $asked = Json::read(Json::write(['rig' => $case === 9 ? 'castle' : $id, 'answers' => (object) $answers, 'rope' => $case === 8 ? ['diameter_mm' => 0, 'material' => 'wire'] : SIX]));
            $field = $said($asked, $operation->inputFor($asked));
            expect($field)->toBe($said($asked, $whole));
            $field === null ? $good++ : $bad++;
        }
    }
    expect($good)->toBeGreaterThan(17)->and($bad)->toBeGreaterThan(90);
    foreach ([null, [], 'tripod', 3, (object) ['rig' => 3]] as $asked) {
        expect($said($asked, $operation->inputFor($asked)))->toBe($said($asked, $whole));
    }
});

it('says which of the poles in hand a rig takes, where any are told', function (): void {
    $input = ['rig' => 'tripod', 'answers' => TRIPOD, 'rope' => SIX];
    expect(asked('rig', $input)['members'][1])->not->toHaveKey('missing');
    $long = asked('rig', $input)['members'][1]['length_mm'];
    $poles = [['id' => 'stout', 'diameter_mm' => 70, 'length_mm' => 4000, 'count' => 3], ['id' => 'just', 'diameter_mm' => 60, 'length_mm' => (int) ceil($long), 'count' => 2], ['id' => 'short', 'diameter_mm' => 60, 'length_mm' => (int) $long - 1, 'count' => 3]];
    expect(asked('rig', $input + ['poles' => $poles])['members'][1])->toMatchArray(['from' => [['pole' => 'just', 'count' => 2]], 'missing' => 1]);
    expect(asked('rig', $input + ['poles' => []])['members'][1])->toMatchArray(['from' => [], 'missing' => 3]);
});
