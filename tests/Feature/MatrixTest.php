<?php

declare(strict_types=1);

use App\Along\WriteFiles;
use App\Awards\SignBadge;
use App\Http\ApiDocument;
use App\Http\Middleware\FromOwnPages;
use App\Http\Middleware\HoldLeft;
use App\Http\Middleware\HoldToApi;
use App\Models\Award;
use App\Models\BadgeTick;
use App\Models\Device;
use App\Models\Group;
use App\Models\GroupPicture;
use App\Models\Invitation;
use App\Models\KeptFile;
use App\Models\LeftCheck;
use App\Models\MeetingRig;
use App\Models\Office;
use App\Models\Place;
use App\Models\PracticeCard;
use App\Models\Pursuit;
use App\Models\Remote;
use App\Models\Role;
use App\Models\TrustedIssuer;
use App\Models\User;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\Note;
use Illuminate\Routing\Route as Registered;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Str;

/** Routes that ask for no sign-in. */
const OPEN = ['GET /api/house', 'GET /api/ready', 'GET /api/badges', 'POST /api/setup', 'POST /api/setup/zip', 'PUT /api/setup/zip/{zip}/parts', 'POST /api/setup/zip/{zip}/look', 'POST /api/setup/zip/{zip}/take', 'POST /api/sign-in', 'POST /api/remote', 'GET /api/remote', 'PUT /api/remote', 'PUT /api/remote/side', 'POST /api/join/about', 'POST /api/join', 'POST /api/reset', 'POST /api/left-checks', 'POST /api/corner', 'GET /api/corner/pictures', 'GET /api/corner/knots/{knot}', 'GET /api/corner/knots/{knot}/space', 'POST /api/corner/days', 'POST /api/corner/drawn', 'GET /api/issuers/{issuer}', 'GET /api/issuers/{issuer}/status/{list}'];

/** RFC 8037, appendix A.2. */
const MATRIX_KEY = ['kty' => 'OKP', 'crv' => 'Ed25519', 'x' => '11qYAYKxCrfVS_7TyWQHOg7hcvPapiMlrwIaaPcHURo', 'kid' => 'kPrK_qmxVWaYVA9wwBF6Iuo3vVzz7TxHCTwXBygrS4k', 'alg' => 'EdDSA', 'use' => 'sig'];

const MATRIX_PNG = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';

/** @return array<string, Registered> every address of the API, read from the router */
function matrixRoutes(): array
{
    $routes = [];
    foreach (Route::getRoutes()->getRoutes() as $route) {
        if (str_starts_with($route->uri(), 'api/')) {
            $routes[$route->methods()[0].' /'.$route->uri()] = $route;
        }
    }

    return $routes;
}

/**
 * A group with one of everything an address can name.
 *
 * @return array{group: Group, people: array<string, User>, ids: array<string, string>}
 */
function matrixGroup($test, string $name): array
{
    $group = Group::query()->create(['name' => $name, 'time_zone' => 'UTC', 'units' => 'mm', 'age_from' => 8, 'age_to' => 13])->refresh();
    $rope = $group->ropes()->create(['name' => 'Usual', 'diameter_mm' => 10, 'material' => 'polyester', 'is_usual' => true]);
    $spare = $group->ropes()->create(['name' => 'Spare', 'diameter_mm' => 8, 'material' => 'nylon']);
    $group->badges()->create(['badge' => 'lantern-hand', 'due_on' => '2026-12-22']);
    $people = [];
    foreach (Role::cases() as $role) {
        $people[$role->value] = User::query()->create(['name' => ucfirst($role->value), 'email' => Str::slug($name)."-$role->value@gullwick.example", 'password' => 'lantern-tail-77'])->refresh();
        $people[$role->value]->memberships()->create(['group_id' => $group->id, 'role' => $role]);
    }
    $people['host'] = User::query()->create(['name' => 'Host', 'email' => Str::slug($name).'-host@gullwick.example', 'password' => 'lantern-tail-77'])->refresh();
    DB::table('hosts')->insert(['user_id' => $people['host']->id]);
    $place = Place::query()->create(['name' => 'Tarrow Shore Band', 'code_hash' => Place::hash("PLACE$name"), 'expires_at' => now()->addDay()]);
    $hosted = Group::query()->create(['name' => 'Closed', 'time_zone' => 'UTC', 'units' => 'mm', 'age_from' => 8, 'age_to' => 13, 'closed_at' => now()]);
    $people['spare'] = User::query()->create(['name' => 'Spare', 'email' => Str::slug($name).'-spare@gullwick.example', 'password' => 'lantern-tail-77'])->refresh();
    $people['spare']->memberships()->create(['group_id' => $group->id, 'role' => Role::Helper]);
    $fields = array_map(fn (string $one) => \Compadre\Core\Data\Fields::of(['name' => $one, 'age_band' => '8-10']), ['Ada P.', 'Bram K.', 'Cleo M.']);
    [$ada, $bram, $cleo] = app(\App\Crew\AddLearners::class)($group, $fields);
    $cleo->update(['archived_at' => now()]);
    // A badge of its own that is met by something said.
    $group->badgePacks()->create(['badge' => 'spoken', 'version' => 1, 'made_by' => $people['lead']->id, 'pack' => ['id' => 'spoken', 'version' => 1, 'name' => 'Spoken', 'about' => 'Says it.', 'ages' => ['from' => 8, 'to' => 13], 'requirement' => ['all' => [['say' => 'what a hitch is for']]]]]);
    $group->badges()->create(['badge' => 'spoken']);
    Pursuit::query()->create(['learner_id' => $ada->id, 'badge' => 'spoken', 'version' => 1]);
    $tonight = $group->meetings()->create(['date' => '2026-11-24', 'starts_at' => '07:00', 'minutes' => 60, 'checkers' => 2])->refresh();
    $next = $group->meetings()->create(['date' => '2026-12-01', 'starts_at' => '18:30', 'minutes' => 75, 'checkers' => 2])->refresh();
    $next->blocks()->create(['position' => 5, 'kind' => 'new', 'knot' => 'bowline', 'stations' => ['kind' => 'new', 'knot' => 'bowline', 'learners' => [$ada->id], 'beside' => []], 'planned' => 5, 'state' => 'waiting']);
    $pole = $group->poles()->create(['name' => 'Ash poles', 'diameter_mm' => 60, 'length_mm' => 2500, 'count' => 6]);
    $stock = $group->stocks()->create(['name' => 'Coil', 'kind' => 'coil', 'diameter_mm' => 10, 'material' => 'polyester', 'lay' => 'right', 'ends' => 'taped', 'length_mm' => 50_000]);
    $taken = MeetingRig::query()->create(['group_id' => $group->id, 'meeting_id' => $next->id, 'rope_id' => $rope->id, 'rig' => 'bed-roll', 'version' => 1, 'answers' => ['length_mm' => 600, 'girth_mm' => 700], 'knots' => []]);
    $group->rigPacks()->create(['rig' => 'bundle-of-ours', 'origin' => 'pole-bundle', 'version' => 1, 'pack' => ['id' => 'bundle-of-ours', 'name' => "Bundle of $name"] + $group->rigs()->pack('pole-bundle'), 'made_by' => $people['lead']->id]);
    $measure = $group->measures()->create(['knot' => 'bowline', 'diameter_mm' => 8, 'material' => 'nylon', 'measured_mm' => 180, 'turns' => 0, 'object_mm' => 0, 'loop_mm' => 0, 'made_by' => $people['lead']->id]);
    $token = bin2hex(random_bytes(24));
    $invitation = Invitation::query()->create(['group_id' => $group->id, 'created_by' => $people['lead']->id, 'role' => Role::Helper, 'token_hash' => Invitation::hash($token), 'expires_at' => now()->addDay()]);
    $held = bin2hex(random_bytes(16));
    $remotes = [];
    foreach (['lead', 'instructor'] as $role) {
        $remotes[$role] = Remote::query()->create(['user_id' => $people[$role]->id, 'code_hash' => Remote::hash("CODE$role$name"), 'token_hash' => $role === 'lead' ? Remote::hash($held) : null, 'code_until' => now()->addMinutes(9), 'ends_at' => now()->addHour(), 'tries' => 0, 'turn' => 0, 'knot' => 'bowline', 'step' => 1, 'steps' => 6])->id;
    }
    $card = PracticeCard::query()->create(['group_id' => $group->id, 'learner_id' => $ada->id, 'code' => "CARD$name", 'code_hash' => PracticeCard::hash(strtoupper("CARD$name")), 'hand' => 'right', 'ends_on' => '2026-12-22']);
    $award = Award::query()->create(['group_id' => $group->id, 'learner_id' => $bram->id, 'badge' => 'rigger', 'version' => 1, 'name' => 'Rigger', 'proof' => ['about' => '', 'outline' => ['met' => false]], 'by_hand' => true, 'why' => 'Elsewhere.', 'decided_on' => '2026-11-24', 'decided_by' => $people['lead']->id]);
    app(SignBadge::class)($group, $award, false);
    $group->hasMany(Office::class)->create(['address' => 'https://register.example', 'client' => 'gullwick', 'secret' => Crypt::encryptString('lantern')]);
    $trusted = TrustedIssuer::query()->create(['group_id' => $group->id, 'issuer' => 'urn:uuid:'.Str::uuid(), 'name' => 'Another crew', 'jwks' => ['keys' => [MATRIX_KEY]]]);
    GroupPicture::query()->create(['group_id' => $group->id, 'width' => 1, 'height' => 1, 'hash' => str_repeat('0', 32), 'png' => MATRIX_PNG]);
    BadgeTick::query()->create(['learner_id' => $ada->id, 'note' => (new Note('say', 'what a hitch is for'))->key(), 'ticked_by' => $people['lead']->id]);
    [$file, $given] = matrixZips($group);
    $device = Device::query()->create(['user_id' => $people['spare']->id, 'group_id' => $group->id, 'label' => 'A phone', 'seen_at' => now()]);
    $event = ['id' => (string) Str::uuid7(), 'schema' => 1, 'kind' => 'result', 'learner' => $ada->id, 'knot' => 'overhand', 'device' => 'left', 'device_seq' => 1, 'observed_at' => '2026-11-24T18:00:00Z', 'tying' => 'yes', 'dressing' => 'yes', 'tail' => 'yes'];
    LeftCheck::query()->create(['id' => $event['id'], 'group_id' => $group->id, 'user_id' => $people['spare']->id, 'learner_id' => $ada->id, 'event' => $event, 'sent_at' => now(), 'received_at' => now()]);

    return ['group' => $group, 'people' => $people, 'ids' => [
        'meeting' => $next->id, 'tonight' => $tonight->id, 'learner' => $ada->id, 'other' => $bram->id, 'archived' => $cleo->id, 'rope' => $spare->id, 'usual' => $rope->id, 'stock' => $stock->id, 'pole' => $pole->id, 'invitation' => $invitation->id, 'award' => $award->id, 'as' => 'svg', 'file' => $file, 'given' => $given, 'part' => base64_encode(implode('', iterator_to_array(KeptFile::query()->findOrFail($given)->parts()))), 'zip' => (string) Str::uuid(), 'issuer' => (string) $group->refresh()->issuer_id, 'list' => (string) $award->refresh()->status_list_id, 'trusted' => $trusted->id, 'card' => $card->id, 'practice' => "CARD$name",
        'remote' => $remotes['lead'], 'remote-instructor' => $remotes['instructor'], 'device' => $device->id, 'person' => $people['spare']->id, 'left' => $event['id'], 'token' => $token, 'held' => $held, 'code' => "CODElead$name",
        'rig' => 'tripod', 'own' => 'bundle-of-ours', 'instrument' => 'line', 'measure' => $measure->id, 'taken' => $taken->id, 'knot' => 'bowline', 'badge' => 'rigger', 'note' => str_repeat('a', 16), 'kind' => 'roster', 'place' => $place->id, 'hosted' => $hosted->id, 'group' => $group->id,
    ]];
}

/** @return array{string, string} a zip of the group that can be fetched, and the same brought to it */
function matrixZips(Group $group): array
{
    [$file, $given] = array_map(static fn (string $kind): KeptFile => KeptFile::begin($group, $kind), ['along', 'given']);
    app(WriteFiles::class)->keep($group, $file);
    $given->update(['bytes' => $file->refresh()->bytes]);
    foreach ($file->parts() as $place => $part) {
        $given->put($place, $part);
    }

    return [$file->id, $given->id];
}

/** @param  array<string, string>  $ids  @return ?array<string, mixed> a body that the address takes */
function matrixBody(string $address, array $ids): ?array
{
    $event = ['id' => (string) Str::uuid7(), 'schema' => 1, 'kind' => 'result', 'learner' => $ids['learner'], 'knot' => 'overhand', 'device' => 'phone', 'device_seq' => 1, 'observed_at' => '2026-11-24T18:40:00Z', 'tying' => 'yes', 'dressing' => 'yes', 'tail' => 'yes', 'how' => 'attested', 'prompts' => 0, 'meeting' => $ids['tonight']];
    $pack = ['id' => 'showpiece', 'name' => 'Showpiece', 'about' => 'Knots to show.', 'ages' => ['from' => 8, 'to' => 13], 'requirement' => ['all' => [['knot' => 'sheepshank', 'level' => 'has_it']]]];
    $sheet = ['bytes' => base64_encode("Dov R.,9,\n")];

    return [
        'POST /api/sign-in' => ['email' => 'own-lead@gullwick.example', 'password' => 'lantern-tail-77'],
        'POST /api/remote' => ['code' => $ids['code']], 'PUT /api/remote' => ['step' => 2], 'PUT /api/remote/side' => ['yaw' => 58, 'pitch' => 24],
        'POST /api/join/about' => ['token' => $ids['token']], 'POST /api/join' => ['token' => $ids['token'], 'name' => 'Wren Callow', 'email' => 'wren@gullwick.example', 'password' => 'harbour-light-9'],
        'POST /api/reset' => ['token' => $ids['reset'] ?? str_repeat('0', 48), 'password' => 'harbour-light-9'],
        'POST /api/left-checks' => ['key' => $ids['key'] ?? 'none', 'sent_at' => '2026-11-24T18:44:00Z', 'events' => [$event]],
        'PUT /api/me/group' => ['group' => $ids['group']], 'POST /api/host/places' => ['name' => 'Tarrow Shore Band', 'learners_most' => 30], 'PUT /api/host/groups/{hosted}' => ['learners_most' => 30, 'closed' => false], 'DELETE /api/host/groups/{hosted}' => ['name' => 'Closed'],
        'PUT /api/me/password' => ['current' => 'lantern-tail-77', 'password' => 'harbour-light-9'],
        'POST /api/meetings' => ['date' => '2026-12-08', 'starts_at' => '18:30', 'minutes' => 75, 'checkers' => 2, 'place' => 'Net loft'],
        'POST /api/course/what-if' => ['minutes' => 10], 'PUT /api/course/plan' => ['moves' => [['knot' => 'overhand', 'meeting' => $ids['meeting']]]], 'POST /api/tonight' => ['id' => (string) Str::uuid7(), 'ago_s' => 60],
        'PUT /api/course/remedy' => ['remedy' => ['kind' => 'minutes', 'what' => $ids['meeting'], 'by' => 10]], 'PUT /api/course/pace' => ['pace' => 'soon'],
        'PUT /api/meetings/{meeting}/leads/{knot}' => ['leads' => true], 'PUT /api/meetings/{meeting}/stations/{learner}' => ['place' => 5, 'to' => null],
        'PUT /api/meetings/{meeting}' => ['minutes' => 60], 'POST /api/meetings/{meeting}/run' => ['step' => 'start'], 'PUT /api/meetings/{meeting}/attendance/{learner}' => ['present' => true],
        'POST /api/meetings/{meeting}/rigs' => ['rig' => 'tripod', 'answers' => ['leg_mm' => 2000, 'foot_radius_mm' => 850, 'poles_mm' => [60, 60, 60], 'school' => 'plain']],
        'POST /api/meetings/{meeting}/gates' => ['rig' => 'hoisted-tool', 'adult' => 'Wren Callow', 'lines' => app(\Compadre\Core\Rigs\RigShelf::class)->rig('hoisted-tool')->gates],
        'PUT /api/rigs/{rig}' => ['pack' => app(\Compadre\Core\Rigs\RigShelf::class)->pack('pole-bundle')], 'POST /api/rigs/{rig}/copies' => [], 'POST /api/measures' => ['knot' => 'bowline', 'measured_mm' => 200],
        'POST /api/corner' => ['code' => $ids['practice']], 'POST /api/corner/days' => ['days' => [['knot' => 'bowline', 'day' => '2026-11-24', 'felt' => 'easy']]],
        'POST /api/corner/drawn' => ['knot' => 'overhand', 'strands' => [['id' => 'rope', 'visits' => [['crossing' => 0, 'over' => true], ['crossing' => 0, 'over' => false]]]], 'turns' => [1]],
        'POST /api/practice/cards' => ['hand' => 'right'], 'PUT /api/practice/cards/{card}' => ['hints' => true], 'PUT /api/practice/home/{knot}' => ['home' => true],
        'POST /api/store' => ['name' => 'New coil', 'kind' => 'coil', 'diameter_mm' => 8, 'material' => 'nylon', 'lay' => 'braided', 'ends' => 'sealed', 'length_mm' => 20000], 'PUT /api/store/{stock}' => ['count' => 2],
        'POST /api/poles' => ['name' => 'Spars', 'diameter_mm' => 80, 'length_mm' => 3000], 'PUT /api/poles/{pole}' => ['count' => 4],
        'POST /api/screens' => ['knot' => 'bowline', 'step' => 1, 'steps' => 6], 'PUT /api/screens/{remote}' => ['knot' => 'bowline', 'step' => 2, 'steps' => 6],
        'POST /api/tail' => ['knot' => 'bowline', 'rope' => ['diameter_mm' => 8, 'material' => 'nylon'], 'measured_mm' => 90, 'measured_by' => 'mm'],
        'POST /api/check-events' => ['sent_at' => '2026-11-24T18:44:00Z', 'events' => [$event]],
        'POST /api/learners' => ['learners' => [['name' => 'Zoe A.', 'age_band' => '8-10', 'hand' => 'left']]], 'POST /api/walk-ins' => ['learners' => [['id' => (string) Str::uuid7(), 'name' => 'Odd Q.', 'meeting' => $ids['tonight']]]],
        'PUT /api/patrols' => ['learners' => [$ids['learner']], 'patrol' => 'Terns'], 'PUT /api/patrols/helper' => ['person' => $ids['person'], 'patrol' => null], 'PUT /api/learners/{learner}' => ['name' => 'Ada Q.'], 'POST /api/learners/{learner}/merge' => ['into' => $ids['other']], 'POST /api/awards' => ['awards' => [['learner' => $ids['learner'], 'badge' => 'spoken']], 'meeting' => $ids['meeting']], 'POST /api/awards/by-hand' => ['learners' => [$ids['learner']], 'badge' => 'lantern-hand', 'why' => 'Shown on the green.', 'decided_on' => '2026-11-03', 'handed_on' => '2026-11-10'],
        'PUT /api/awards/handed' => ['awards' => [$ids['award']], 'on' => '2026-11-24'], 'PUT /api/awards/{award}' => ['meeting' => $ids['meeting'], 'handed_on' => '2026-11-24'], 'POST /api/awards/{award}/taken-back' => ['why' => 'Mistaken for another.'],
        'POST /api/awards/{award}/signed' => ['named' => true], 'POST /api/signing/keys' => ['alg' => 'EdDSA'], 'POST /api/verify' => ['file' => base64_encode('e30.e30.e30'), 'lists' => [base64_encode('e30.e30.e30')]],
        'PUT /api/office' => ['address' => 'https://register.example', 'client' => 'gullwick', 'secret' => 'lantern'], 'POST /api/office/awards' => ['awards' => [$ids['award']]],
        'POST /api/trusted' => ['file' => base64_encode((string) json_encode(['id' => 'urn:uuid:3b241101-e2bb-4255-8caf-4136c566a962', 'name' => 'A third crew', 'jwks' => ['keys' => [MATRIX_KEY]]]))],
        'PUT /api/certificate' => ['words' => 'Well tied.', 'colour' => '#1f4e5f'], 'PUT /api/certificate/picture' => ['bytes' => MATRIX_PNG],
        'POST /api/along/files' => ['password' => 'harbour lantern 5'], 'PUT /api/along/left' => ['left' => true], 'POST /api/along/given' => ['bytes' => 10],
        'PUT /api/along/given/{given}/parts' => ['place' => 0, 'data' => $ids['part'] ?? 'AAAA'], 'POST /api/along/given/{given}/look' => ['password' => 'none'], 'POST /api/along/given/{given}/take' => ['password' => 'none'],
        'POST /api/setup/zip' => ['code' => 'none', 'bytes' => 10], 'PUT /api/setup/zip/{zip}/parts' => ['place' => 0, 'data' => 'AAAA'], 'POST /api/setup/zip/{zip}/look' => ['code' => 'none'], 'POST /api/setup/zip/{zip}/take' => ['code' => 'none', 'email' => 'own-lead@gullwick.example', 'new_password' => 'harbour-light-9'],
        'POST /api/had' => ['learners' => [$ids['learner']], 'knots' => ['overhand']],
        'POST /api/sheets/{kind}' => $sheet, 'PUT /api/sheets/{kind}' => $sheet, 'POST /api/calendar' => ['places' => true],
        'PUT /api/group' => ['units' => 'inches'], 'PUT /api/group/memory' => ['use' => 'usual'], 'POST /api/ropes' => ['name' => 'Blue', 'diameter_mm' => 6, 'material' => 'nylon'], 'PUT /api/ropes/{rope}' => ['name' => 'Spare', 'diameter_mm' => 9, 'material' => 'nylon'],
        'POST /api/group/badges' => ['pack' => $pack], 'PUT /api/group/badges/{badge}' => ['due_on' => null], 'PUT /api/learners/{learner}/ticks/{note}' => ['met' => true],
        'PUT /api/people/{person}' => ['role' => 'instructor'], 'POST /api/left-checks/accept' => ['ids' => [$ids['left']]], 'POST /api/left-checks/refuse' => ['ids' => [$ids['left']]], 'POST /api/invitations' => ['role' => 'helper'],
    ][$address] ?? null;
}

/** @return list<string> who may, as the route itself says */
function matrixAllowed(Registered $route): array
{
    if (in_array($route->uri(), ['api/sign-out', 'api/me/password'], true)) {
        return ['host', 'lead', 'instructor', 'helper'];
    }
    $can = array_values(array_filter(Route::gatherRouteMiddleware($route), fn (mixed $one): bool => is_string($one) && (str_contains($one, 'Authorize:') || str_starts_with($one, 'can:'))));

    return match ($can === [] ? null : Str::afterLast((string) $can[0], ':')) {
        'plan', 'people', 'award' => ['lead'],
        'teach' => ['lead', 'instructor'],
        'host' => ['host'],
        default => ['lead', 'instructor', 'helper'],
    };
}

function matrixPath(string $address, array $ids, string $role): string
{
    $ids['remote'] = $role === 'instructor' ? $ids['remote-instructor'] : $ids['remote'];
    if (in_array($address, ['PUT /api/rigs/{rig}', 'DELETE /api/rigs/{rig}'], true)) {
        $ids['rig'] = $ids['own'];
    }
    if (str_ends_with($address, '/run') || str_contains($address, 'attendance')) {
        $ids['meeting'] = $ids['tonight'];
    }

    $asked = match ($address) {
        'GET /api/choice' => '?job='.urlencode('{"task":"stop","a":{"kind":"rope"},"load":"steady","undo":"any"}'),
        'GET /api/knots-to-keep' => '?part=space',
        default => '',
    };

    return preg_replace_callback('/\{(\w+)\}/', fn (array $found): string => $ids[$found[1]], explode(' ', $address, 2)[1]).$asked;
}

/** How much every table holds, and a sum of what can be changed in place; what a mere visit writes is left out. */
function matrixState(): array
{
    static $all = null;
    // The tables are the same all along: what they have is asked once, and all of them at once.
    $all ??= DB::table('information_schema.COLUMNS')->where('TABLE_SCHEMA', DB::getDatabaseName())->whereNotIn('TABLE_NAME', ['devices', 'tries', 'migrations', 'remembered'])->get(['TABLE_NAME', 'COLUMN_NAME'])
        ->groupBy('TABLE_NAME')->map(fn ($of, string $table): string => "select '$table' as name, concat(count(*), ' ', coalesce(sum(crc32(concat_ws('|', ".$of->map(fn ($one): string => "coalesce(`$one->COLUMN_NAME`, '-')")->implode(', ')."))), 0)) as state from `$table`")->implode(' union all ');

    return array_column(DB::select($all), 'state', 'name');
}

beforeEach(function (): void {
    Http::fake(['https://register.example/token' => Http::response(['access_token' => 'in', 'expires_in' => 300])]);
    $this->own = matrixGroup($this, 'Own');
    $this->foreign = matrixGroup($this, 'Foreign');
    $this->fire = function (string $address, array $ids, ?string $role, ?array $body = null) {
        $this->app['auth']->forgetGuards();
        $this->flushSession();
        $role === null || $this->actingAs(User::query()->findOrFail($this->own['people'][$role]->id));
        $this->withHeader('X-Remote', $ids['held'])->withHeader('X-Practice', $ids['practice']);
        DB::table('tries')->delete();

        return $this->json(explode(' ', $address)[0], matrixPath($address, $ids, $role ?? ''), $body ?? []);
    };
    /** What is done meanwhile is taken back. */
    $this->apart = function (Closure $what): mixed {
        DB::beginTransaction();
        try {
            return $what();
        } finally {
            DB::rollBack();
        }
    };
});

it('lets each role do on every address what it may, and nobody anything else', function (): void {
    $tried = 0;
    foreach (matrixRoutes() as $address => $route) {
        if (in_array($address, OPEN, true)) {
            continue;
        }
        $allowed = matrixAllowed($route);
        $body = fn (array $ids): ?array => matrixBody($address, $ids);
        expect($body($this->own['ids']) !== null || ! in_array(explode(' ', $address)[0], ['POST', 'PUT'], true) || $address === 'POST /api/sign-out' || str_ends_with($address, '/pack/cut') || str_ends_with($address, '/moves') || str_starts_with($address, 'PUT /api/archived'))->toBeTrue("no body is known for $address");
        foreach ([null, 'host', 'helper', 'instructor', 'lead'] as $role) {
            ($this->apart)(function () use ($address, $role, $allowed, $body, &$tried): void {
                $before = matrixState();
                $status = ($this->fire)($address, $this->own['ids'], $role, $body($this->own['ids']))->getStatusCode();
                $tried++;
                if ($role === null) {
                    expect($status)->toBe(401, "$address as nobody");
                } elseif (in_array($role, $allowed, true) && ! ($role === 'helper' && str_contains($address, '/devices/{device}')) && ! ($role === 'instructor' && str_contains($address, '/devices/{device}'))) {
                    expect($status)->toBeGreaterThanOrEqual(200)->toBeLessThan(300, "$address as $role answered $status");

                    return;
                } else {
                    expect($status)->toBeIn($address === 'PUT /api/me/group' ? [422] : [403, 404], "$address as $role");
                }
                expect(matrixState())->toBe($before, "$address as ".($role ?? 'nobody').' was refused, and changed something');
            });
        }
        // What an address names, or a body, of another group is not there for anybody.
        $names = array_intersect(['meeting', 'learner', 'archived', 'rope', 'stock', 'pole', 'invitation', 'remote', 'device', 'person', 'card', 'award', 'trusted', 'file', 'given'], $route->parameterNames());
        foreach ($names as $name) {
            foreach ($allowed as $role) {
                ($this->apart)(function () use ($address, $role, $name, $body, &$tried): void {
                    $ids = [$name => $this->foreign['ids'][$name], 'tonight' => $name === 'meeting' ? $this->foreign['ids']['tonight'] : $this->own['ids']['tonight'], 'remote-instructor' => $name === 'remote' ? $this->foreign['ids']['remote-instructor'] : $this->own['ids']['remote-instructor']] + $this->own['ids'];
                    $before = matrixState();
                    $tried++;
                    expect(($this->fire)($address, $ids, $role, $body($this->own['ids']))->getStatusCode())->toBe(404, "$address of another group's $name as $role");
                    expect(matrixState())->toBe($before, $address);
                });
            }
        }
    }
    foreach (['POST /api/check-events', 'POST /api/walk-ins', 'POST /api/had', 'PUT /api/patrols', 'PUT /api/patrols/helper', 'POST /api/learners/{learner}/merge', 'PUT /api/course/plan', 'POST /api/left-checks/accept', 'POST /api/left-checks/refuse'] as $address) {
        ($this->apart)(function () use ($address, &$tried): void {
            $before = matrixState();
            $body = matrixBody($address, ['tonight' => $this->own['ids']['tonight'], 'learner' => $this->foreign['ids']['learner'], 'other' => $this->foreign['ids']['other'], 'left' => $this->foreign['ids']['left'], 'meeting' => $this->foreign['ids']['meeting'], 'person' => $this->foreign['ids']['person']] + $this->own['ids']);
            $address === 'POST /api/walk-ins' && $body['learners'][0]['id'] = $this->foreign['ids']['learner'];
            $tried++;
            $status = ($this->fire)($address, $this->own['ids'], 'lead', $body)->getStatusCode();
            // Ids of another group's are no more than unknown ones here: none is taken, and none let go.
            expect($status)->toBeIn(str_starts_with($address, 'POST /api/left-checks') ? [200, 204] : [404, 422], $address);
            expect(matrixState())->toBe($before, "$address with another group's ids");
        });
    }
    expect(count(matrixRoutes()))->toBeGreaterThan(70)->and($tried)->toBeGreaterThan(350);
});

it('writes nothing of a group that has left the house, but what takes somebody out of it or takes it along', function (): void {
    $this->own['group']->update(['left_at' => now()]);
    $open = [];
    foreach (matrixRoutes() as $address => $route) {
        if (str_starts_with($address, 'GET') || in_array($address, OPEN, true) && $address !== 'POST /api/join') {
            continue;
        }
        if ($address !== 'POST /api/join' && ! in_array(HoldLeft::class, Route::gatherRouteMiddleware($route), true)) {
            $open[] = $address;

            continue;
        }
        ($this->apart)(function () use ($address): void {
            $before = matrixState();
            expect(($this->fire)($address, $this->own['ids'], 'lead', matrixBody($address, $this->own['ids']))->getStatusCode())->toBe(423, $address);
            expect(matrixState())->toBe($before, $address);
        });
    }
    expect($open)->toEqualCanonicalizing([
        'POST /api/sign-out', 'PUT /api/me/password', 'PUT /api/me/group', 'POST /api/host/places', 'DELETE /api/host/places/{place}', 'PUT /api/host/groups/{hosted}', 'DELETE /api/host/groups/{hosted}', 'DELETE /api/devices/{device}', 'DELETE /api/people/{person}', 'DELETE /api/learners/{learner}', 'POST /api/sheets/{kind}', 'POST /api/course/what-if',
        'POST /api/verify', 'POST /api/tail', 'POST /api/screens', 'PUT /api/screens/{remote}', 'DELETE /api/screens/{remote}', 'POST /api/along/files', 'DELETE /api/along/files/{file}', 'PUT /api/along/left',
        'POST /api/along/given', 'PUT /api/along/given/{given}/parts', 'POST /api/along/given/{given}/look', 'POST /api/along/given/{given}/take',
    ]);
});

it('answers at no address outside the API but these, in a console too', function (): void {
    // The console reads more files than a request does, and what it has read is what gets kept.
    Illuminate\Support\Facades\Artisan::call('list');
    $outside = [];
    foreach (Route::getRoutes()->getRoutes() as $route) {
        if (! str_starts_with($route->uri(), 'api/')) {
            $outside[] = $route->uri();
        } else {
            expect(Route::gatherRouteMiddleware($route))->toContain(FromOwnPages::class, HoldToApi::class);
        }
    }
    sort($outside);
    expect($outside)->toBe(['calendar/{token}.ics', 'sanctum/csrf-cookie', 'up', '{any?}']);
});

it('answers an unstateful write 403 before anything runs, and takes exactly JSON', function (): void {
    foreach (matrixRoutes() as $address => $route) {
        [$method] = explode(' ', $address);
        if ($method === 'GET') {
            continue;
        }
        ($this->apart)(function () use ($address, $method, $route): void {
            $before = matrixState();
            $server = ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'];
            $this->flushHeaders();
            foreach ([[], ['HTTP_ORIGIN' => 'https://elsewhere.example'], ['HTTP_ORIGIN' => 'http://127.0.0.1:1'], ['HTTP_REFERER' => 'https://elsewhere.example/http://127.0.0.1/']] as $from) {
                $answer = $this->call($method, matrixPath($address, $this->own['ids'], 'lead'), [], [], [], $from + $server, (string) json_encode(matrixBody($address, $this->own['ids']) ?? []));
                expect($answer->getStatusCode())->toBe(403, $address);
            }
            if (app(ApiDocument::class)->bodySchema('/'.$route->uri(), $method) !== null) {
                $this->app['auth']->forgetGuards();
                $this->flushSession();
                $this->actingAs(User::query()->findOrFail($this->own['people'][str_starts_with($route->uri(), 'api/host') ? 'host' : 'lead']->id));
                foreach (['text/plain; a=/json', 'text/plain', 'application/x-www-form-urlencoded', 'application/jsonp', 'application/vnd.x+json'] as $type) {
                    $answer = $this->call($method, matrixPath($address, $this->own['ids'], 'lead'), [], [], [], ['CONTENT_TYPE' => $type, 'HTTP_ACCEPT' => 'application/json', 'HTTP_ORIGIN' => 'http://127.0.0.1:'.config()->string('app.port'), 'HTTP_X_REMOTE' => $this->own['ids']['held']], (string) json_encode(matrixBody($address, $this->own['ids'])));
                    expect($answer->getStatusCode())->toBe(422, "$address as $type");
                }
            }
            expect(matrixState())->toBe($before, $address);
        });
    }
});

it('answers no hostile value with a fault of its own, and takes none that its document does not', function (): void {
    $hostile = [null, '', '   ', str_repeat('x', 10_000), -1, 1e300, 1.5, true, [], ['a' => 1], "' or 1=1 -- ", '<script>alert(1)</script>', "a\u{0000}b", '../../etc/passwd', '=HYPERLINK("x")', '2026-02-30', "\u{202E}gnirts", str_repeat('9', 400)];
    $tried = 0;
    $document = app(ApiDocument::class);
    foreach (matrixRoutes() as $address => $route) {
        [$method] = explode(' ', $address);
        $body = matrixBody($address, $this->own['ids']);
        $cases = [];
        foreach ($route->parameterNames() as $name) {
            foreach (['x', str_repeat('a', 40), "' or 1=1", '%00', str_repeat('9', 300), '..%2F..', '<b>'] as $value) {
                $cases[] = [[$name => rawurlencode($value), 'tonight' => rawurlencode($value), 'remote-instructor' => $value] + $this->own['ids'], $body];
            }
        }
        // What stands in a list is held to one schema, whichever it is: the first of each is spoiled.
        $places = collect($body === null ? [] : Illuminate\Support\Arr::dot($body))->keys()->unique(fn (string|int $place): string => (string) preg_replace('/(?<=^|\.)\d+(?=\.|$)/', '*', (string) $place));
        foreach ($places as $place) {
            foreach ($hostile as $spoiled) {
                $other = $body;
                data_set($other, $place, $spoiled);
                $cases[] = [$this->own['ids'], $other];
            }
        }
        foreach ($cases as [$ids, $sent]) {
            ($this->apart)(function () use ($address, $method, $ids, $sent, $document, $route, &$tried): void {
                $tried++;
                $answer = ($this->fire)($address, $ids, in_array($address, OPEN, true) ? null : (str_contains($address, ' /api/host') ? 'host' : 'lead'), $sent);
                $status = $answer->getStatusCode();
                expect($status)->toBeLessThan(500, "$address with ".Str::limit((string) json_encode([$ids, $sent]), 300));
                $schema = $document->bodySchema('/'.$route->uri(), $method);
                if ($status < 300 && $schema !== null) {
                    try {
                        $document->hold(json_decode((string) json_encode($sent)), $schema);
                    } catch (Refusal $fault) {
                        throw new RuntimeException("$address took what its document does not: {$fault->getMessage()}");
                    }
                }
                if ($status === 422) {
                    expect((string) $answer->json('message'))->not->toStartWith('/', $address);
                }
            });
        }
    }
    expect($tried)->toBeGreaterThan(1500);
    fwrite(STDERR, "  hostile values tried: $tried\n");
});
