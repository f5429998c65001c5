<?php

declare(strict_types=1);

namespace Tests\Support;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** A finger on the table of the practice corner. */
trait LaysRope
{
    /** Lays every rope as the knot is drawn; later ropes lie on top until the crossings are tapped that go the other way. */
    protected function layAsDrawn(string $knot, string $code, bool $isFlipped = true): void
    {
        $this->find('[data-testid=table]');
        $lain = $this->asyncScript(<<<'JS'
            const [knot, code, isFlipped, done] = arguments;
            const method = JSON.parse(localStorage.getItem('compadre-practice')).corner.knots.find((one) => one.id === knot).method;
            fetch(`/api/corner/knots/${knot}?${new URLSearchParams({ view: 'learner', method })}`, { headers: { 'X-Practice': code } }).then((r) => r.json()).then(({ knot: { loose } }) => {
              const table = document.querySelector('[data-testid=table]');
              table.setPointerCapture = () => {};
              const on = ([x, y]) => { const at = new DOMPoint(x, y).matrixTransform(table.getScreenCTM()); return { clientX: at.x, clientY: at.y, pointerId: 1, bubbles: true }; };
              const ropes = loose.strands.filter((one) => ['rope', 'tape'].includes(one.kind));
              for (const { d } of ropes) {
                const path = document.createElementNS('http://www.w3.org/2000/svg', 'path');
                path.setAttribute('d', d);
                const at = (s) => { const { x, y } = path.getPointAtLength(s); return [x, y]; };
                table.dispatchEvent(new PointerEvent('pointerdown', on(at(0.3))));
                for (let s = 0.6; s < path.getTotalLength(); s += 0.6) table.dispatchEvent(new PointerEvent('pointermove', on(at(s))));
                table.dispatchEvent(new PointerEvent('pointerup', on(at(path.getTotalLength()))));
              }
              const tap = () => {
                const buttons = [...document.querySelectorAll('[data-testid=crossing]')];
                if (buttons.length < loose.crossings.length) { requestAnimationFrame(tap); return; }
                const last = ropes.at(-1).id;
                for (const { over, under, at } of isFlipped ? loose.crossings : []) {
                  // Between two ropes the later one lies on top.
                  if (over === under || over === last) continue;
                  const { clientX, clientY } = on(at);
                  buttons.map((one) => [one, one.getBoundingClientRect()]).sort(([, a], [, b]) => Math.hypot(a.x + a.width / 2 - clientX, a.y + a.height / 2 - clientY) - Math.hypot(b.x + b.width / 2 - clientX, b.y + b.height / 2 - clientY))[0][0].click();
                }
                done(buttons.length);
              };
              tap();
            });
            JS, [$knot, $code, $isFlipped]);
        expect($lain)->toBeGreaterThan(0);
    }

    /** The same without a pointer, for a knot of one rope: arrows lead it, Tab goes to the crossings. */
    protected function layByKeys(string $knot, string $code): void
    {
        $this->find('[data-testid=table]');
        [$ways, $crossings] = $this->asyncScript(<<<'JS'
            const [knot, code, done] = arguments;
            const { method } = JSON.parse(localStorage.getItem('compadre-practice')).corner.knots.find((one) => one.id === knot);
            fetch(`/api/corner/knots/${knot}?${new URLSearchParams({ view: 'learner', method })}`, { headers: { 'X-Practice': code } }).then((r) => r.json()).then(({ knot: { loose }, table }) => {
              const rope = table.strands.find((one) => one.rope);
              const path = document.createElementNS('http://www.w3.org/2000/svg', 'path');
              path.setAttribute('d', loose.strands.find((one) => one.id === rope.id).d);
              let [x, y] = rope.points.at(-1);
              const ways = [];
              for (let s = 0; s <= path.getTotalLength(); s += 0.25) {
                const to = path.getPointAtLength(s);
                for (; to.x - x > 0.25; x += 0.5) ways.push('right');
                for (; x - to.x > 0.25; x -= 0.5) ways.push('left');
                for (; to.y - y > 0.25; y += 0.5) ways.push('down');
                for (; y - to.y > 0.25; y -= 0.5) ways.push('up');
              }
              done([ways, loose.crossings.length]);
            });
            JS, [$knot, $code]);
        $this->script('document.querySelector("[data-testid=table]").focus()');
        $keys = ['right' => WebDriverKeys::ARROW_RIGHT, 'left' => WebDriverKeys::ARROW_LEFT, 'down' => WebDriverKeys::ARROW_DOWN, 'up' => WebDriverKeys::ARROW_UP];
        $this->press(' ', ...array_map(static fn (string $way): string => $keys[$way], $ways));
        $this->find('[data-testid=pen]');
        $this->see('You hold the rope.');
        $this->press(' ');
        $this->until(fn (): bool => count($this->browser->findElements(WebDriverBy::cssSelector('[data-testid=crossing]'))) === $crossings, "the $crossings crossings of the drawing");
    }

    /** Lays every rope once across, each over the one before, which is no knot that anybody was asked for. */
    protected function layAcross(): void
    {
        $this->script(<<<'JS'
            const table = document.querySelector('[data-testid=table]');
            table.setPointerCapture = () => {};
            const { left, top, width, height } = table.getBoundingClientRect();
            const on = (x, y) => ({ clientX: left + x * width, clientY: top + y * height, pointerId: 1, bubbles: true });
            for (const [fromX, toX] of [[0.2, 0.8], [0.8, 0.2]]) {
              table.dispatchEvent(new PointerEvent('pointerdown', on(fromX, 0.75)));
              for (let n = 1; n < 40; n++) table.dispatchEvent(new PointerEvent('pointermove', on(fromX + ((toX - fromX) * n) / 40, 0.75 - (0.5 * n) / 40)));
              table.dispatchEvent(new PointerEvent('pointerup', on(toX, 0.25)));
            }
            JS);
    }
}
