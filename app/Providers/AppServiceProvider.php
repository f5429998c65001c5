<?php

declare(strict_types=1);

namespace App\Providers;

use App\Along\WriteFiles;
use App\Awards\Office\RunErrand;
use App\Host\RemoveGroup;
use App\Http\ApiDocument;
use App\Http\Middleware\OpenSession;
use App\Http\SessionRows;
use App\Http\Words;
use App\Knots\Drawings;
use App\Knots\KnotNames;
use App\Knots\Packs;
use App\Models\Award;
use App\Models\Group;
use App\Models\Invitation;
use App\Models\KeptFile;
use App\Models\Learner;
use App\Models\Meeting;
use App\Models\Place;
use App\Models\Pole;
use App\Models\PracticeCard;
use App\Models\Remote;
use App\Models\Role;
use App\Models\Rope;
use App\Models\Stock;
use App\Models\SureConnection;
use App\Models\TrustedIssuer;
use App\Models\User;
use App\Practice\MakeKits;
use App\Work\LongWork;
use Carbon\CarbonImmutable;
use Closure;
use Compadre\Core\Knots\Library;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Rigs\Choosing\Chooser;
use Compadre\Core\Rigs\RigShelf;
use Compadre\Core\Space\FormFile;
use Compadre\Core\Space\Pull\PullFile;
use Compadre\Core\Space\Untidy\UntidyFile;
use Compadre\Core\Teaching\BadgeShelf;
use Compadre\Core\Words\Catalogue;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Contracts\Cache\Factory;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\Session\SessionManager;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\ServiceProvider;
use PDO;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        Connection::resolverFor('mariadb', static fn (PDO|Closure $pdo, string $database, string $prefix, array $config): SureConnection => new SureConnection($pdo, $database, $prefix, $config));
        $this->sessions();
        $this->app->singleton(ApiDocument::class);
        $this->app->bind(Catalogue::class, static fn (): Catalogue => Words::asked());
        $this->app->singleton(Packs::class);
        $this->app->scoped(KnotNames::class);
        $this->app->scoped(Library::class, fn (): Library => Library::at(config()->string('app.packs'), Words::overlay()));
        $this->app->singleton(FormFile::class, fn (): FormFile => new FormFile(config()->string('app.packs')));
        $this->app->singleton(UntidyFile::class, fn (): UntidyFile => new UntidyFile(config()->string('app.packs')));
        $this->app->singleton(PullFile::class, fn (): PullFile => new PullFile(config()->string('app.packs')));
        // Built once for a set of packs: only what has to be computed anew looks anything up in it.
        $this->app->scoped(KnotIndex::class, fn (): KnotIndex => KnotIndex::forLearners($this->app->make(Library::class), fn (Closure $fill): array => $this->app->make(Drawings::class)->kept('index', $fill)));
        $this->app->bind(Chooser::class, fn (): Chooser => new Chooser($this->app->make(Library::class), $this->app->make(Packs::class)->tails(), $this->app->make(Packs::class)->friction()));
        $this->app->scoped(RigShelf::class, fn (): RigShelf => RigShelf::at(config()->string('app.packs'), $this->app->make(Library::class), Words::overlay()));
        // What the worker can do.
        $this->app->tag([RunErrand::class, WriteFiles::class, RemoveGroup::class, MakeKits::class], LongWork::class);
        $this->app->scoped(BadgeShelf::class, fn (): BadgeShelf => BadgeShelf::at(config()->string('app.packs'), Words::overlay()));
    }

    /** In place of the framework's own, wherever it opens or keeps one. */
    private function sessions(): void
    {
        $this->app->singleton(StartSession::class, fn (): OpenSession => new OpenSession($this->app->make(SessionManager::class), fn (): Factory => $this->app->make(Factory::class)));
        $this->app->afterResolving(SessionManager::class, static function (SessionManager $sessions): void {
            $sessions->extend('database', static fn (Application $app): SessionRows => new SessionRows($app->make('db.connection'), config()->string('session.table'), config()->integer('session.lifetime'), $app));
        });
    }

    public function boot(): void
    {
        Date::use(CarbonImmutable::class);
        Model::shouldBeStrict();
        $this->policies();
        $this->bindings();
    }

    private function policies(): void
    {
        Gate::define('plan', fn (User $user): bool => $user->role->plans());
        Gate::define('people', fn (User $user): bool => $user->role === Role::Lead);
        Gate::define('award', fn (User $user): bool => $user->role === Role::Lead);
        Gate::define('teach', fn (User $user): bool => $user->role->teaches());
        Gate::define('check', fn (): bool => true);
        Gate::define('host', fn (User $user): bool => $user->hosts());
    }

    /** What an address names is looked up in the signed-in person's own group, and nowhere else. */
    private function bindings(): void
    {
        Route::bind('meeting', fn (string $id): Meeting => $this->own()->meetings()->findOrFail($id));
        Route::bind('learner', fn (string $id): Learner => Learner::query()->where('group_id', $this->own()->id)->findOrFail($id));
        Route::bind('person', fn (string $id): User => User::of($this->own())->findOrFail($id));
        Route::bind('remote', fn (string $id): Remote => Remote::query()->where('user_id', Auth::id())->findOrFail($id));
        Route::bind('archived', fn (string $id): Learner => $this->own()->archived()->findOrFail($id));
        Route::bind('rope', fn (string $id): Rope => $this->own()->ropes()->findOrFail($id));
        Route::bind('stock', fn (string $id): Stock => $this->own()->stocks()->findOrFail($id));
        Route::bind('pole', fn (string $id): Pole => $this->own()->poles()->findOrFail($id));
        Route::bind('card', fn (string $id): PracticeCard => PracticeCard::query()->where('group_id', $this->own()->id)->findOrFail($id));
        Route::bind('award', fn (string $id): Award => $this->own()->awards()->findOrFail($id));
        Route::bind('trusted', fn (string $id): TrustedIssuer => TrustedIssuer::query()->where('group_id', $this->own()->id)->findOrFail($id));
        Route::bind('file', fn (string $id): KeptFile => KeptFile::query()->where('group_id', $this->own()->id)->where('kind', '!=', 'given')->findOrFail($id));
        Route::bind('given', fn (string $id): KeptFile => KeptFile::query()->where('group_id', $this->own()->id)->where('kind', 'given')->findOrFail($id));
        Route::bind('issuer', fn (string $id): Group => Group::query()->where('issuer_id', $id)->firstOrFail());
        Route::bind('place', fn (string $id): Place => Place::query()->findOrFail($id));
        Route::bind('hosted', fn (string $id): Group => Group::query()->findOrFail($id));
        Route::bind('invitation', fn (string $id): Invitation => Invitation::openOf($this->own())->findOrFail($id));
    }

    private function own(): Group
    {
        $user = Auth::user();

        return $user instanceof User ? $user->group : throw new AuthenticationException;
    }
}
