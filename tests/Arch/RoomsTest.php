<?php

declare(strict_types=1);

arch('the core knows no framework and nothing of the app')
    ->expect('Compadre\Core')
    ->not->toUse(['Illuminate', 'Laravel', 'App', 'Database', 'Carbon', 'Symfony', 'Facebook']);

arch('the core never reads the clock, chance or the outside')
    ->expect(['time', 'microtime', 'date', 'rand', 'mt_rand', 'random_int', 'getenv', 'env', 'curl_init', 'exec', 'shell_exec'])
    ->not->toBeUsedIn('Compadre\Core');

arch('the core is final or an interface')
    ->expect('Compadre\Core')->classes()->toBeFinal();

arch('everything is strict')
    ->expect(['Compadre\Core', 'App', 'Database'])->toUseStrictTypes();

arch('controllers only hand on')
    ->expect('App\Http\Controllers')
    ->not->toUse(['Illuminate\Support\Facades\DB', 'Compadre\Core\Rope', 'Compadre\Core\Checking', 'Compadre\Core\Teaching', 'Compadre\Core\Knots']);

arch('nothing is left behind from debugging')
    ->expect(['dd', 'dump', 'var_dump', 'ray', 'print_r'])->not->toBeUsed();

it('keeps the job’s constants out of the screens', function (): void {
    $found = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2).'/resources/js')) as $file) {
        // The screens hold no slip, no half-life, no minutes of a knot: those live in packs and in the core.
        if (preg_match('/\.tsx?$/', (string) $file) === 1 && preg_match('/\b(slip|half_?life|floor_mm|long_above|backup_diameters|wet_slip)\b/i', (string) file_get_contents((string) $file), $word) === 1 && ! str_ends_with((string) $file, 'schema.d.ts')) {
            $found[] = basename((string) $file).': '.$word[0];
        }
    }
    expect($found)->toBe([]);
});

it('keeps files short enough to read', function (): void {
    $long = [];
    foreach (['app', 'core/src', 'resources/js', 'database', 'ops'] as $folder) {
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2)."/$folder", FilesystemIterator::SKIP_DOTS)) as $file) {
            $lines = str_ends_with((string) $file, 'schema.d.ts') ? 0 : count(file((string) $file) ?: []);
            if ($lines > 320) {
                $long[] = "$file: $lines";
            }
        }
    }
    expect($long)->toBe([]);
});
