<?php

declare(strict_types=1);

namespace Compadre\Core\Drawing;

use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\StepStates;
use Compadre\Core\Knots\View;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Mistakes\WrongForm;
use Compadre\Core\Refusal;
use Compadre\Core\Space\FormFile;
use Compadre\Core\Space\StepsInSpace;
use Compadre\Core\Words\Catalogue;
use Compadre\Core\Words\Saying;

/**
 * Drawings outside the app: one as an SVG, or all of them on one page to look at.
 */
final class Sheet
{
    public static function one(Library $library, SheetRequest $request, FormFile $forms): string
    {
        $knot = $library->knot($request->knot);
        $method = $knot->method($request->method)->told($request->view, $library->sides);
        if ($request->inSpace) {
            return self::inSpace($knot, $method, $request, $forms);
        }
        $loose = DiagramBuilder::loose($method, $knot->file);
        $state = null;
        if ($request->step !== null) {
            $states = StepStates::of($method, $loose, $knot->file);
            $state = $states[$request->step - 1] ?? throw Refusal::of('--step', $request->step, 'any.from_to', ['least' => 1, 'most' => count($states)]);
        }
        $title = $knot->names[0].($state === null ? '' : ': '.$state->plan->say);
        if ($request->tight || $state?->plan->tight === true) {
            return self::whole(Drawing::finished($knot->finished($method) ?? [$loose, true], $request->view), $title);
        }
        if ($state?->plan->half === true) {
            return self::whole(Drawing::tight($request->view->of($knot->halfWay($method) ?? $loose)), $title);
        }

        return (new SvgWriter(Drawing::loose($request->view->of($loose)), Palette::file()))->write($state, $title);
    }

    private static function inSpace(KnotPack $knot, Method $method, SheetRequest $request, FormFile $forms): string
    {
        $kept = $forms->read($knot, $method);
        $ropes = $kept->form->at($request->tightness);
        $room = null;
        if ($request->step !== null) {
            $ropes = (new StepsInSpace($knot, $method, $kept))->at($request->step);
            // The same room for every step, so that nothing jumps from one to the next.
            $room = $kept->form->frames[0];
        }

        return (new SpaceWriter($request->grey ? Palette::handout() : Palette::file()))->write($method, $ropes, $kept->form->shown(), $request->turn, $knot->names[0], $room);
    }

    private static function whole(Drawing $drawing, string $title): string
    {
        return (new SvgWriter($drawing, Palette::file()))->write(null, $title);
    }

    /** Every knot, method, step and usual mistake as one page of HTML. */
    public static function all(Library $library): string
    {
        $page = '';
        $index = KnotIndex::of($library);
        foreach ($library->all() as $knot) {
            foreach ($knot->methods as $method) {
                $page .= sprintf("<h2>%s: %s</h2>\n<div class=row>", htmlspecialchars($knot->names[0]), htmlspecialchars($method->name));
                foreach ([...self::cells($knot, $method), ...self::wrong($library, $index, $knot, $method)] as [$svg, $words]) {
                    $page .= '<figure>'.$svg.'<figcaption>'.htmlspecialchars($words)."</figcaption></figure>\n";
                }
                $page .= "</div>\n";
            }
        }

        return "<!DOCTYPE html>\n<html lang=\"en\"><meta charset=\"utf-8\"><title>All knots</title>\n<style>body{font:14px sans-serif;margin:16px;background:#fff}.row{display:flex;flex-wrap:wrap;gap:12px}figure{width:300px;margin:0}svg{width:100%;height:220px}h2{margin:20px 0 6px}</style>\n$page</html>\n";
    }

    /** @return list<array{string, string}> drawing and words, for each step, and the finished knot loose and tight */
    private static function cells(KnotPack $knot, Method $method): array
    {
        $loose = DiagramBuilder::loose($method, $knot->file);
        $open = new SvgWriter(Drawing::loose($loose), Palette::file());
        $cells = [];
        foreach (StepStates::of($method, $loose, $knot->file) as $number => $state) {
            $words = ($number + 1).'. '.$state->plan->say;
            $half = $state->plan->half ? $knot->halfWay($method) : null;
            if ($half !== null) {
                $cells[] = [self::whole(Drawing::tight($half), $words), $words];
            } elseif (! $state->plan->tight) {
                $cells[] = [$open->write($state, $words), $words];
            }
        }
        $cells[] = [$open->write(null, $knot->names[0]), 'Finished, loose'];
        $finished = $knot->finished($method);
        if ($finished !== null) {
            $cells[] = [self::whole(Drawing::finished($finished, View::Learner), $knot->names[0]), 'Finished'];
        }

        return $cells;
    }

    /** @return list<array{string, string}> the usual mistakes, ringed where they part from the right knot */
    private static function wrong(Library $library, KnotIndex $index, KnotPack $knot, Method $method): array
    {
        return array_map(static function (WrongForm $form) use ($library): array {
            $what = $form->found->becomes->knot === null ? new Saying('drawing.falls_out') : $library->knot($form->found->becomes->knot)->names[0];
            $words = Catalogue::english()->say(new Saying('drawing.wrong', ['what' => $what, 'sign' => $form->found->sign]));

            return [(new SvgWriter(Drawing::loose($form->diagram), Palette::file()))->write(null, $words, $form->ringed), $words];
        }, WrongForm::of($library, $index, $knot, $method));
    }
}
