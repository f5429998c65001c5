<?php

declare(strict_types=1);

// Says once more, briefly, which tests of these JUnit reports failed and why: at the end of a long run the rest has long gone by.

const MOST = 1200;

foreach (array_slice($argv, 1) as $file) {
    $report = @simplexml_load_string(mb_scrub((string) @file_get_contents($file)));
    $report !== false || print "failed: $file cannot be read\n";
    foreach ($report === false ? [] : ($report->xpath('//testcase[failure or error]') ?: []) as $case) {
        $why = (string) ($case->failure ?? $case->error);
        printf("failed: %s, %s\n%s\n", $case['class'], $case['name'], mb_strimwidth(mb_scrub($why), 0, MOST, '…'));
    }
}
