<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;
use Tests\Arch\RoomPicture;
use Tests\TestHouse;

arch('the core knows no framework and nothing of the app')
    ->expect('Compadre\Core')
    ->not->toUse(['Illuminate', 'Laravel', 'App', 'Database', 'Carbon', 'Symfony', 'Facebook'])
    ->ignoring('Symfony\Component\ExpressionLanguage');

arch('the core never reads the clock, chance or the outside')
    ->expect(['time', 'microtime', 'date', 'rand', 'mt_rand', 'random_int', 'getenv', 'env', 'curl_init', 'exec', 'shell_exec'])
    ->not->toBeUsedIn('Compadre\Core');

arch('the core is final or an interface')
    ->expect('Compadre\Core')->classes()->toBeFinal();

arch('everything is strict')
    ->expect(['Compadre\Core', 'App', 'Database'])->toUseStrictTypes();

arch('nothing is left behind from debugging')
    ->expect(['dd', 'dump', 'var_dump', 'ray', 'print_r'])->not->toBeUsed();

it('finds every arrow that is not allowed', function (): void {
    $root = dirname(__DIR__, 2);
    $stan = new Process([PHP_BINARY, 'vendor/bin/phpstan', 'analyse', '-c', 'phpstan.rooms.neon', '--no-progress', '--error-format=json', '--memory-limit=1G', 'tests/data/planted'], $root, timeout: TestHouse::PATIENCE);
    $stan->run();
    $said = implode("\n", array_column(array_merge(...array_column(json_decode($stan->getOutput(), true)['files'], 'messages')), 'message'));
    foreach ([
        'App\Knots\ReachesIntoTheHouse should not depend on App\House\KeepHouse', 'App\Models\ReachesIntoARoom should not depend on App\Knots\KnotNames',
        'App\Course\WritingController should not depend on Illuminate\Support\Facades\DB', 'Compadre\Core\Topology\KnowsAKnot should not depend on Compadre\Core\Knots\Method',
        'Compadre\Core\Rope\KnowsARow should not depend on App\Models\Rope', 'Compadre\Core\Teaching\KnowsThePlan should not depend on Compadre\Core\Teaching\Rounds\TermPlan',
    ] as $fault) {
        expect($said)->toContain($fault);
    }
});

it('finds every arrow between the screens’ rooms that is not allowed', function (): void {
    $lint = new Process(['npx', '--no-install', 'eslint', '-c', 'eslint.rooms.js', '--format', 'json', '--stdin', '--stdin-filename', 'resources/js/ui/Planted.ts'], dirname(__DIR__, 2), timeout: TestHouse::PATIENCE);
    $lint->setInput("import { App } from '../shell/App';\nimport { useMe } from '../device/me';\nimport { words } from '../words/en';\nexport { App, useMe, words };\n");
    $lint->run();
    $said = implode("\n", array_column(json_decode($lint->getOutput(), true)[0]['messages'], 'message'));
    expect($said)->toContain('"ui" to elements of type "shell"')->toContain('"ui" to elements of type "device"')->not->toContain('"words"');
});

it('draws the rooms as the rules have them, and names no file that is not there', function (): void {
    $root = dirname(__DIR__, 2);
    $page = (string) file_get_contents("$root/docs/architecture.md");
    expect($page)->toContain("```mermaid\n".RoomPicture::drawn()."\n```");
    $files = (new Process(['git', 'ls-files', '--cached', '--others', '--exclude-standard'], $root))->mustRun()->getOutput();
    foreach (['docs/architecture.md', 'CONTRIBUTING.md', 'docs/glossary.md'] as $document) {
        preg_match_all('#`((?:[\w.-]+/)*[\w.-]+\.(?:php|tsx?|ya?ml|js|sh|md|neon))`#', (string) file_get_contents("$root/$document"), $named);
        foreach ($named[1] as $file) {
            expect(preg_match('#^(.*/)?'.preg_quote($file).'$#m', $files))->toBe(1, "$document names $file");
        }
    }
});

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

/** @return list<string> the limits and measures of the job that a screen writes itself, instead of taking the API's or the core's */
function limitsIn(string $screen): array
{
    // The least of a count is one, and what a ruler on the screen spans is no rule of the job.
    preg_match_all('/\b(?:maxLength|minLength|max|most)=\{\d[\d.]*\}|\bmin=\{(?!1\})\d[\d.]*\}|\b(?:mm|minutes|diameters|checkers) ?[<>]=? ?\d[\d.]+|:\s*1[46]\s*;/', $screen, $found);

    return $found[0];
}

it('keeps limits out of the screens', function (): void {
    $found = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2).'/resources/js', FilesystemIterator::SKIP_DOTS)) as $file) {
        if (preg_match('#api/(schema\.d|limits)\.ts$|check/Ruler\.tsx$#', (string) $file) === 0) {
            array_push($found, ...array_map(static fn (string $limit): string => basename((string) $file).": $limit", limitsIn((string) file_get_contents((string) $file))));
        }
    }
    expect($found)->toBe([]);
    // It does find one.
    expect(limitsIn('<TextField maxLength={40} min={5} max={17} /> if (mm >= 16) keep(mm); return own > 0 ? own : 16;'))->toHaveCount(5);
    expect(limitsIn('<TextField {...limits.changeLearner.name} min={1} rows={2} />'))->toBe([]);
});

it('keeps files short enough to read', function (): void {
    $long = [];
    foreach (['app', 'core/src', 'resources/js', 'database', 'ops'] as $folder) {
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2)."/$folder", FilesystemIterator::SKIP_DOTS)) as $file) {
            // What is generated is not read.
            $lines = preg_match('#schema\.d\.ts$|api/limits\.ts$|words/messages\.d\.ts$#', (string) $file) === 1 ? 0 : count(file((string) $file) ?: []);
            if ($lines > 320) {
                $long[] = "$file: $lines";
            }
        }
    }
    expect($long)->toBe([]);
});
