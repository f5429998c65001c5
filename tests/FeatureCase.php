<?php

declare(strict_types=1);

namespace Tests;

use App\Http\ApiDocument;
use App\Models\Group;
use App\Models\Learner;
use App\Models\Meeting;
use App\Models\Role;
use App\Models\User;
use Carbon\CarbonImmutable;
use Compadre\Core\Rope\Material;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Tests\Support\HoldsScope;

/**
 * Feature tests run on the test house's MariaDB, in a database of their own, each in a transaction that is taken back.
 */
abstract class FeatureCase extends TestCase
{
    use HoldsScope;
    use RefreshDatabase;

    /** What an empty house asks for in these tests. */
    public const CODE = 'CADE-HALT-WAKE';

    /** The evening the tests play on. */
    protected const NOW = '2026-11-24 18:45:00';

    protected int $seq = 0;

    public function createApplication(): Application
    {
        foreach (['DB_DATABASE' => 'compadre_feature', 'APP_ENV' => 'testing', 'SESSION_DRIVER' => 'array', 'CACHE_STORE' => 'array', 'BCRYPT_ROUNDS' => '4',
            'LARAVEL_STORAGE_PATH' => self::storage(), 'APP_CONFIG_CACHE' => '/nonexistent/config.php', 'APP_ROUTES_CACHE' => '/nonexistent/routes.php'] + TestHouse::settings() as $name => $value) {
            putenv("$name=$value");
            $_ENV[$name] = $_SERVER[$name] = $value;
        }
        /** @var Application $app */
        $app = require dirname(__DIR__).'/bootstrap/app.php';
        // The house's own settings file; what was set above comes first.
        $app->useEnvironmentPath((string) getenv('COMPADRE_TEST_HOUSE'))->loadEnvironmentFrom('env');
        $app->make(Kernel::class)->bootstrap();

        return $app;
    }

    /** What these tests write lies apart from what the house that is served writes: they may run as another account. */
    private static function storage(): string
    {
        $folder = getenv('COMPADRE_TEST_HOUSE').'/feature-storage';
        foreach (['app', 'logs', 'framework/cache/data', 'framework/sessions', 'framework/views'] as $part) {
            is_dir("$folder/$part") || mkdir("$folder/$part", 0700, true);
        }

        return $folder;
    }

    protected function setUp(): void
    {
        parent::setUp();
        File::put(storage_path('app/setup-code'), self::CODE);
        CarbonImmutable::setTestNow(self::NOW);
        $this->holdScope();
        $own = 'http://127.0.0.1:'.TestHouse::settings()['COMPADRE_PORT'];
        $this->withHeader('Origin', $own)->withHeader('Referer', "$own/");
        $this->withoutMiddleware(\Illuminate\Foundation\Http\Middleware\ValidateCsrfToken::class);
    }

    protected function assertPostConditions(): void
    {
        parent::assertPostConditions();
        self::assertSame([], $this->unscoped(), 'Asked of all groups in a request of one.');
        self::assertSame([], $this->readsThrough(), 'Read through row by row in a house of many groups.');
    }

    protected function tearDown(): void
    {
        CarbonImmutable::setTestNow();
        parent::tearDown();
    }

    /** A group with a usual rope and both badges. */
    protected function group(string $name = 'Gullwick Lantern Crew', string $zone = 'UTC'): Group
    {
        $group = Group::query()->create(['name' => $name, 'time_zone' => $zone, 'units' => 'mm', 'age_from' => 8, 'age_to' => 13])->refresh();
        $group->ropes()->create(['name' => 'Practice rope', 'diameter_mm' => 10, 'material' => Material::Polyester, 'is_usual' => true]);
        $group->badges()->create(['badge' => 'lantern-hand', 'due_on' => '2026-12-22']);
        $group->badges()->create(['badge' => 'rigger', 'due_on' => null]);

        return $group;
    }

    protected function person(Group $group, Role $role = Role::Lead, string $email = 'maren@gullwick.example'): User
    {
        $user = User::query()->create(['name' => 'Maren Holt', 'email' => $email, 'password' => 'lantern-tail-77'])->refresh();
        $user->memberships()->create(['group_id' => $group->id, 'role' => $role]);

        return $user;
    }

    /** Someone else takes the device: a fresh session, signed in as they. */
    protected function become(User $user): void
    {
        $this->app['auth']->forgetGuards();
        $this->flushSession();
        $this->actingAs($user);
    }

    /** Signs in afresh, as on another device, and gives that device's id. */
    protected function onDevice(string $email, string $agent): string
    {
        $this->app['auth']->forgetGuards();
        $this->flushSession();
        $this->withHeader('User-Agent', $agent);
        $this->api('POST', '/api/sign-in', ['email' => $email, 'password' => 'lantern-tail-77'])->assertOk();

        return (string) $this->app['session']->get('device');
    }

    /** @return list<Learner> */
    protected function learners(Group $group, string ...$names): array
    {
        $fields = array_map(fn (string $name) => \Compadre\Core\Data\Fields::of(['name' => $name, 'age_band' => '8-10']), array_values($names));

        return app(\App\Crew\AddLearners::class)($group, $fields);
    }

    protected function meeting(Group $group, string $date = '2026-11-24', int $minutes = 75): Meeting
    {
        return $group->meetings()->create(['date' => $date, 'starts_at' => '18:30', 'minutes' => $minutes, 'checkers' => 2])->refresh();
    }

    /**
     * A group with five learners and three meetings, the first tonight, its lead signed in.
     *
     * @return array{Group, list<Learner>, list<Meeting>}
     */
    protected function term(): array
    {
        $group = $this->group();
        $this->become($this->person($group));
        $learners = $this->learners($group, 'Ada P.', 'Bram K.', 'Cleo M.', 'Dov R.', 'Esme T.');

        return [$group, $learners, [$this->meeting($group), $this->meeting($group, '2026-12-01'), $this->meeting($group, '2026-12-08')]];
    }

    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed> a clean pass, as a device sends it
     */
    protected function pass(Learner $learner, string $knot = 'square-knot', array $more = []): array
    {
        return $more + [
            'id' => (string) Str::uuid7(), 'schema' => 1, 'kind' => 'result', 'learner' => $learner->id, 'knot' => $knot, 'device' => 'phone', 'device_seq' => ++$this->seq,
            'observed_at' => CarbonImmutable::now()->toIso8601ZuluString(), 'tying' => 'yes', 'dressing' => 'yes', 'tail' => 'yes', 'how' => 'attested', 'prompts' => 0,
        ];
    }

    /** @param  array<string, mixed>  $events */
    protected function send(array ...$events): TestResponse
    {
        return $this->api('POST', '/api/check-events', ['sent_at' => CarbonImmutable::now()->toIso8601ZuluString(), 'events' => $events]);
    }

    /**
     * Calls the API and holds the answer to the API document.
     *
     * @param  ?array<string, mixed>  $body
     */
    protected function api(string $method, string $uri, ?array $body = null): TestResponse
    {
        $response = $body === null ? $this->json($method, $uri) : $this->json($method, $uri, $body);
        $route = $this->app['router']->current();
        $schema = $route === null ? null : app(ApiDocument::class)->responseSchema('/'.$route->uri(), $method, $response->getStatusCode());
        if ($schema !== null) {
            app(ApiDocument::class)->hold(json_decode((string) $response->getContent()), $schema);
        }

        return $response;
    }

    /** Expects a refusal that names the field, and that nothing was written. */
    protected function refused(TestResponse $response, string $field, ?string $allowed = null, int $status = 422): void
    {
        $response->assertStatus($status);
        expect($response->json('errors.0.field'))->toBe($field);
        expect($response->json('errors.0.message'))->toBeString()->not->toBeEmpty();
        if ($allowed !== null) {
            expect($response->json('errors.0.allowed'))->toContain($allowed);
        }
    }
}
