<?php

declare(strict_types=1);

namespace Tests;

use RuntimeException;

/**
 * The settings of the house that ./compadre test started.
 */
final class TestHouse
{
    /** So many seconds a command is waited for at the most: a machine that is busy with other things takes its time. */
    public const PATIENCE = 600.0;

    /** @return list<string> what a command begins with to run as the account that owns the houses */
    public static function asAccount(): array
    {
        return posix_geteuid() !== 0 || getenv('COMPADRE_AS_ROOT') === 'yes' ? [] : ['setpriv', '--reuid=compadre', '--regid=compadre', '--clear-groups', '--inh-caps=-all', '--', 'env', 'HOME='.dirname(__DIR__).'/var'];
    }

    /** @return array<string, string> */
    public static function settings(): array
    {
        $folder = getenv('COMPADRE_TEST_HOUSE');
        if ($folder === false) {
            throw new RuntimeException('These tests need the test house: run them with ./compadre test.');
        }
        $settings = [];
        foreach (file("$folder/env", FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            if (preg_match("/^(\w+)='(.*)'$/", $line, $found) === 1) {
                $settings[$found[1]] = $found[2];
            }
        }

        return $settings;
    }
}
