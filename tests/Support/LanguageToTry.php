<?php

declare(strict_types=1);

namespace Tests\Support;

/** The language to try with: every letter of the words is marked, so that what is not in the words stands out plain. */
trait LanguageToTry
{
    private const PLAIN = 'aceghijklnorsuwyzACEGHIJKLNORSUWYZ';

    private const MARKED = ['á', 'ç', 'é', 'ğ', 'ĥ', 'í', 'ĵ', 'ķ', 'ľ', 'ñ', 'ó', 'ŕ', 'š', 'ú', 'ŵ', 'ý', 'ž', 'Á', 'Ç', 'É', 'Ğ', 'Ĥ', 'Í', 'Ĵ', 'Ķ', 'Ľ', 'Ñ', 'Ó', 'Ŕ', 'Š', 'Ú', 'Ŵ', 'Ý', 'Ž'];

    /** As the screens say it in that language. */
    public function said(string $words): string
    {
        return (string) preg_replace('/[áéíóú]/u', '$0$0', strtr($words, array_combine(str_split(self::PLAIN), self::MARKED)));
    }

    /** From the next page on, the screens speak it, and what the server says is heard. */
    protected function tryLanguage(): void
    {
        $this->script("localStorage.setItem('words', 'pseudo')");
        $this->devtools('Page.addScriptToEvaluateOnNewDocument', ['source' => <<<'JS'
            window.heard = [];
            const ask = window.fetch;
            window.fetch = async (...asked) => {
                const answer = await ask(...asked);
                window.heard.push(answer.clone().json().catch(() => null));
                return answer;
            };
            JS]);
    }

    /**
     * What is plain on the page, and neither came from the server nor is a date or a unit.
     *
     * @return list<string>
     */
    protected function plainWords(): array
    {
        return $this->asyncScript(<<<'JS'
            const [plain, done] = arguments;
            (async () => {
                const texts = [];
                const take = (value) => { if (typeof value === 'string') texts.push(value); else if (value && typeof value === 'object') { texts.push(...Object.keys(value)); Object.values(value).forEach(take); } };
                (await Promise.all(window.heard)).forEach(take);
                // Of months, days and units the browser knows the names itself.
                for (let n = 0; n < 12; n++) for (const how of [{ month: 'long', weekday: 'long' }, { month: 'short', weekday: 'short' }, { timeStyle: 'short' }]) take(new Intl.DateTimeFormat('en', how).format(new Date(2026, n, 1 + n)));
                for (const unit of ['millimeter', 'meter', 'inch', 'foot', 'kilobyte', 'megabyte', 'gigabyte']) take(new Intl.NumberFormat('en', { style: 'unit', unit }).format(2));
                take(new Intl.ListFormat('en').format(['', '']) + new Intl.ListFormat('en', { type: 'disjunction' }).format(['', '']) + 'am pm');
                const squeeze = (text) => text.toLowerCase().replace(/\s+/g, ' ');
                const known = squeeze(texts.join(' \n '));
                const said = [];
                const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
                while (walker.nextNode()) if (!walker.currentNode.parentElement.closest('script, style, noscript')) said.push(walker.currentNode.data);
                for (const name of ['aria-label', 'aria-description', 'title', 'placeholder', 'alt']) for (const one of document.querySelectorAll(`[${name}]`)) said.push(one.getAttribute(name));
                const own = new RegExp(`[${plain}]`);
                const runs = said.flatMap((text) => text.match(/(?<![\p{L}])[A-Za-z]+(?:[ ’'-]+[A-Za-z]+)*(?![\p{L}])/gu) ?? []);
                const words = runs.filter((run) => own.test(run) && run.length > 1 && !known.includes(squeeze(run)) && !run.split(/[ ’'-]+/).every((one) => one.length < 2 || known.includes(one.toLowerCase())));
                done([...new Set(words)]);
            })();
            JS, [self::PLAIN]);
    }

    /**
     * What has no room on the page: cut off where it stands, or beyond the edge.
     *
     * @return list<string>
     */
    protected function cutOff(): array
    {
        return $this->asyncScript(<<<'JS'
            const [done] = arguments;
            const faults = document.documentElement.scrollWidth > innerWidth ? [`wider than the screen by ${document.documentElement.scrollWidth - innerWidth}`] : [];
            for (const one of document.querySelectorAll('button, a, label, h1, h2, h3, p, span, li, dt, dd, th, td, summary')) {
                if (one.closest('.sr-only, svg') || !one.innerText?.trim()) continue;
                const { overflowX, textOverflow } = getComputedStyle(one);
                if (['hidden', 'clip'].includes(overflowX) && textOverflow !== 'ellipsis' && one.scrollWidth > one.clientWidth + 1) faults.push(one.innerText.slice(0, 60));
            }
            done(faults);
            JS);
    }
}
