<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Refusal;

/**
 * Drawings outside the app: one as an SVG, or all of them on one page to look at.
 */
final class Sheet
{
    public static function one(Library $library, SheetRequest $request): string
    {
        $knot = $library->knot($request->knot);
        $method = $knot->method($request->method);
        $loose = DiagramBuilder::loose($method, $knot->file);
        $state = null;
        if ($request->step !== null) {
            $states = StepStates::of($method, $loose, $knot->file);
            $state = $states[$request->step - 1] ?? throw Refusal::of('--step', $request->step, 'from 1 to '.count($states));
        }
        $drawing = $request->tight || $state?->plan->tight === true
            ? Drawing::tight($request->view->of(DiagramBuilder::tight($method, $knot->file)))
            : Drawing::loose($request->view->of($loose));

        return (new SvgWriter($drawing, Palette::print()))->write($state?->plan->tight === true ? null : $state, $knot->names[0].($state === null ? '' : ': '.$state->plan->say));
    }

    /** Every knot, method and step as one page of HTML. */
    public static function all(Library $library): string
    {
        $page = '';
        foreach ($library->all() as $knot) {
            foreach ($knot->methods as $method) {
                $page .= sprintf("<h2>%s: %s</h2>\n<div class=row>", htmlspecialchars($knot->names[0]), htmlspecialchars($method->name));
                foreach (self::cells($knot, $method) as [$svg, $words]) {
                    $page .= '<figure>'.$svg.'<figcaption>'.htmlspecialchars($words)."</figcaption></figure>\n";
                }
                $page .= "</div>\n";
            }
        }

        return "<!DOCTYPE html>\n<html lang=\"en\"><meta charset=\"utf-8\"><title>All knots</title>\n<style>body{font:14px sans-serif;margin:16px;background:#fff}.row{display:flex;flex-wrap:wrap;gap:12px}figure{width:300px;margin:0}svg{width:100%;height:220px}h2{margin:20px 0 6px}</style>\n$page</html>\n";
    }

    /** @return list<array{string, string}> drawing and words, for each step and the finished knot */
    private static function cells(KnotPack $knot, Method $method): array
    {
        $loose = DiagramBuilder::loose($method, $knot->file);
        $tight = new SvgWriter(Drawing::tight(DiagramBuilder::tight($method, $knot->file)), Palette::print());
        $open = new SvgWriter(Drawing::loose($loose), Palette::print());
        $cells = [];
        foreach (StepStates::of($method, $loose, $knot->file) as $number => $state) {
            $words = ($number + 1).'. '.$state->plan->say;
            $cells[] = [$state->plan->tight ? $tight->write(null, $words) : $open->write($state, $words), $words];
        }

        return $cells;
    }
}
