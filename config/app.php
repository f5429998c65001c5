<?php

declare(strict_types=1);

use Database\Seeders\GullwickTerm;

return [
    'name' => env('APP_NAME', 'Compadre'),
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'url' => env('APP_URL', 'http://127.0.0.1'),
    'timezone' => 'UTC',
    'locale' => 'en',
    'fallback_locale' => 'en',
    'cipher' => 'AES-256-CBC',
    'key' => env('APP_KEY'),
    'maintenance' => ['driver' => 'file'],

    // demo, group or test: which of the separate databases this process serves.
    'house' => env('COMPADRE_HOUSE', 'group'),
    // E-mail addresses that open the demo, and nothing on a network.
    'demo_accounts' => array_column(GullwickTerm::LEADERS, 1),
    // Where others reach this house, where they do: https://knots.example. Badges name it.
    'public_address' => env('COMPADRE_PUBLIC_ADDRESS'),
    'port' => (string) env('COMPADRE_PORT', '8420'),
    'packs' => base_path('packs'),
    // What is said, by language.
    'words' => base_path('words'),

    // The stand-in for an award office beside the demo: its port, and the secret that lets the demo's group in.
    'office_port' => (string) env('COMPADRE_OFFICE_PORT', ''),
    'office_secret' => (string) env('COMPADRE_OFFICE_SECRET', ''),
    // Seconds after which work is taken over, where whoever does it has said nothing.
    'work_lease' => (int) env('COMPADRE_WORK_LEASE', 120),
    // Seconds that an award office is waited for.
    'office_patience' => (int) env('COMPADRE_OFFICE_PATIENCE', 20),

    // Whether better plans are looked for once a request has been answered.
    'improves' => (bool) env('COMPADRE_IMPROVES', true),

    // Changes when the planner does: a plan that was kept is then laid out anew.
    'planner' => sha1(implode(',', array_map(
        static fn (string $file): string => $file.filemtime($file),
        glob(base_path('core/src/{Teaching,Teaching/Rounds,Teaching/Term,Checking}/*.php'), GLOB_BRACE) ?: [],
    ))),

    // Changes when the code that draws and judges knots does: what it computed before is then computed anew.
    'engine' => sha1(implode(',', array_map(
        static fn (string $file): string => $file.filemtime($file),
        [...(glob(base_path('core/src/{Topology,Knots,Mistakes,Drawing,Practice}/*.php'), GLOB_BRACE) ?: []), base_path('core/src/Rope/RopeUse.php'), ...(glob(base_path('words/*/{answers,packs/*}/*.json'), GLOB_BRACE) ?: []), base_path('app/Knots/KnotView.php'), base_path('app/Practice/Corner.php')],
    ))),
];
