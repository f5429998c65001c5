<?php

declare(strict_types=1);

// Prints how many tests of a JUnit report passed and how many did not. A name of a test may have been cut in the middle of a letter.
$report = @simplexml_load_string(mb_scrub((string) @file_get_contents($argv[1] ?? '')));
$cases = $report === false ? [] : $report->xpath('//testcase');
$failed = 0;
$skipped = 0;
foreach ($cases as $case) {
    $failed += isset($case->failure) || isset($case->error) ? 1 : 0;
    $skipped += isset($case->skipped) ? 1 : 0;
}
echo count($cases) - $failed - $skipped, ' ', $report === false ? 1 : $failed, "\n";
