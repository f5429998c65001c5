<?php

declare(strict_types=1);

// Prints how many tests of a JUnit report passed and how many did not.
$report = @simplexml_load_file($argv[1] ?? '');
$cases = $report === false ? [] : $report->xpath('//testcase');
$failed = 0;
$skipped = 0;
foreach ($cases as $case) {
    $failed += isset($case->failure) || isset($case->error) ? 1 : 0;
    $skipped += isset($case->skipped) ? 1 : 0;
}
echo count($cases) - $failed - $skipped, ' ', $report === false ? 1 : $failed, "\n";
