<?php

declare(strict_types=1);

namespace Tests\Support;

/** What is held against every page: barriers, errors in the console, pages in print. */
trait JudgesPages
{
    /** Asks axe-core for serious and critical faults by WCAG 2.2 A and AA. */
    protected function accessible(string $where): void
    {
        $this->browser->executeScript((string) file_get_contents(dirname(__DIR__, 2).'/node_modules/axe-core/axe.min.js'));
        // What is still fading in has not its colours yet.
        $this->until(fn (): bool => $this->script('return document.fonts.status === "loaded" && document.getAnimations().every((one) => one.playState !== "running" || one.effect.getComputedTiming().iterations === Infinity)') === true, "$where at rest");
        $this->assertSame([], $this->faultsByAxe(['type' => 'tag', 'values' => ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']]), $where);
    }

    /** The same in the light and in the dark: of what is drawn in the dark, the colours alone are others. */
    protected function accessibleInBoth(string $where): void
    {
        $this->accessible($where);
        $dress = fn (string $scheme): mixed => $this->script("document.documentElement.dataset.scheme = '$scheme'; for (const one of document.getAnimations()) one.finish();");
        $dress('dark');
        $this->assertSame([], $this->faultsByAxe(['type' => 'rule', 'values' => ['color-contrast']]), "$where, in the dark");
        $dress('light');
    }

    /**
     * @param  array{type: string, values: list<string>}  $only
     * @return list<string>
     */
    private function faultsByAxe(array $only): mixed
    {
        return $this->browser->executeAsyncScript('const done = arguments[arguments.length - 1]; axe.run(document, { runOnly: arguments[0], resultTypes: ["violations"] }).then((r) => done(r.violations.filter((v) => v.impact === "serious" || v.impact === "critical").map((v) => v.id + ": " + v.nodes.map((n) => n.html.slice(0, 160) + " " + (n.failureSummary ?? "").slice(0, 160)).slice(0, 3).join(" | "))), (e) => done([String(e)]));', [$only]);
    }

    /** How many pages the page prints on. */
    protected function pagesPrinted(): int
    {
        $pdf = $this->browser->executeCustomCommand('/session/:sessionId/chromium/send_command_and_get_result', 'POST', ['cmd' => 'Page.printToPDF', 'params' => ['preferCSSPageSize' => true]]);

        return (int) preg_match_all('#/Type\s*/Page[^s]#', (string) base64_decode(is_array($pdf) && is_string($pdf['data']) ? $pdf['data'] : ''));
    }

    /** @return array{int, string} how many pages the view takes on paper of that size, in inches, and the text that stands on them */
    protected function printedOn(float $width, float $height): array
    {
        $this->until(fn (): bool => $this->script('return document.fonts.status === "loaded" && [...document.images].every((one) => one.complete)') === true, 'the page ready to print');
        $margins = array_fill_keys(['marginTop', 'marginBottom', 'marginLeft', 'marginRight'], 0.4);
        $answer = $this->browser->executeCustomCommand('/session/:sessionId/chromium/send_command_and_get_result', 'POST', ['cmd' => 'Page.printToPDF', 'params' => ['landscape' => $width > $height, 'paperWidth' => min($width, $height), 'paperHeight' => max($width, $height)] + $margins]);
        $pdf = (string) base64_decode(is_array($answer) && is_string($answer['data']) ? $answer['data'] : '');
        $file = (string) tempnam(sys_get_temp_dir(), 'printed');
        file_put_contents($file, $pdf);
        $text = (string) shell_exec('pdftotext -layout '.escapeshellarg($file).' - 2>/dev/null');
        unlink($file);

        return [(int) preg_match_all('#/Type\s*/Page[^s]#', $pdf), $text];
    }

    /** Console errors since the last look. */
    protected function noConsoleErrors(): void
    {
        $errors = array_filter($this->browser->manage()->getLog('browser'), fn (array $line): bool => $line['level'] === 'SEVERE');
        $this->assertSame([], array_values($errors));
    }
}
