<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;

/** What the tool prints of such a report. */
function toolSays(string $tool, string $report): string
{
    $file = (string) tempnam(sys_get_temp_dir(), 'report');
    file_put_contents($file, $report);
    $process = new Process([PHP_BINARY, "ops/$tool.php", $file], dirname(__DIR__, 2));
    $process->run();
    unlink($file);

    return str_replace($file, 'the report', $process->getOutput());
}

it('counts what passed and what did not, and says again what failed, even where a name was cut in the middle of a letter', function (): void {
    $case = '<testcase name="it is so with (\'a long one'."\xE2\x80".'\')" class="Tests\Feature\SoTest"';
    $report = "<?xml version=\"1.0\" encoding=\"UTF-8\"?><testsuites><testsuite>$case/>$case/>$case><skipped/></testcase>$case><failure>Not so.</failure></testcase></testsuite></testsuites>";
    expect(toolSays('count-tests', $report))->toBe("2 1\n")->and(toolSays('failed-tests', $report))->toContain('failed: Tests\Feature\SoTest, it is so')->toContain('Not so.');
    // A run that broke off leaves half a report, or none: that is a failure.
    expect(toolSays('count-tests', substr($report, 0, -40)))->toBe("0 1\n")->and(toolSays('count-tests', ''))->toBe("0 1\n")
        ->and(toolSays('failed-tests', substr($report, 0, -40)))->toBe("failed: the report cannot be read\n");
});
