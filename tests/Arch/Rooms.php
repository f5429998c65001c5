<?php

declare(strict_types=1);

namespace Tests\Arch;

use PHPat\Selector\Selector;
use PHPat\Selector\SelectorInterface;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/**
 * Which room may reach into which. All else is refused, so nothing goes round in a circle; PHPStan holds every class to it
 * (phpstan.rooms.neon), and docs/architecture.md is drawn from it.
 */
final class Rooms
{
    /** The core's rooms, the lowest first, and those each may use; fields and refusals are for all. */
    public const CORE = [
        'Topology' => [],
        'Knots' => ['Topology'],
        'Mistakes' => ['Topology', 'Knots'],
        'Space' => ['Topology', 'Knots'],
        'Drawing' => ['Knots', 'Mistakes', 'Space'],
        'Rope' => ['Knots'],
        'Rigs' => ['Knots', 'Rope'],
        'Packing' => ['Knots', 'Rope', 'Rigs'],
        'Checking' => ['Knots', 'Rope'],
        'Teaching' => ['Knots', 'Checking'],
        'Awards' => ['Checking', 'Teaching'],
        'Practice' => ['Topology', 'Knots', 'Mistakes', 'Drawing', 'Rigs', 'Checking'],
        'Compute' => ['Topology', 'Knots', 'Mistakes', 'Space', 'Rope', 'Rigs', 'Packing', 'Checking', 'Teaching', 'Practice', 'Awards'],
    ];

    /** The app's rooms; what requests and rows have in common is for all. */
    public const APP = [
        'Knots' => [],
        'Work' => [],
        'Awards' => ['Knots', 'Work'],
        'Check' => ['Knots'],
        'Bench' => ['Knots'],
        'Course' => ['Knots', 'Bench'],
        'Session' => ['Knots', 'Awards', 'Bench', 'Course'],
        'Crew' => ['Knots', 'Awards', 'Check', 'Course', 'Session'],
        'Store' => ['Knots', 'Course', 'Bench'],
        'Practice' => ['Knots', 'Work'],
        'House' => ['Knots', 'Check', 'Course', 'Crew'],
        'Along' => ['Knots', 'Awards', 'Bench', 'Check', 'Course', 'Crew', 'House', 'Store', 'Work'],
        'Host' => ['Along', 'Course', 'Crew', 'House', 'Work'],
    ];

    /** @return iterable<string, Rule> */
    public function testCoreRooms(): iterable
    {
        foreach (self::CORE as $room => $allowed) {
            yield $room => $this->closed('Compadre\Core', $room, $allowed, array_keys(self::CORE));
        }
    }

    /** @return iterable<string, Rule> */
    public function testAppRooms(): iterable
    {
        foreach (self::APP as $room => $allowed) {
            yield $room => $this->closed('App', $room, $allowed, array_keys(self::APP));
        }
        foreach (['Http', 'Models'] as $shared) {
            yield $shared => $this->closed('App', $shared, [], array_keys(self::APP));
        }
    }

    public function testTheCoreKnowsNothingOfTheApp(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('Compadre\Core'))->shouldNot()->dependOn()
            ->classes(...array_map(Selector::inNamespace(...), ['App', 'Database', 'Illuminate', 'Laravel', 'Carbon', 'Symfony']))
            ->excluding(Selector::inNamespace('Symfony\Component\ExpressionLanguage'))
            ->because('the core is plain PHP; only the formulas of rigs are read by a library');
    }

    public function testThePlanIsAboveWhatItPlans(): Rule
    {
        $planners = [Selector::inNamespace('Compadre\Core\Teaching\Rounds'), Selector::inNamespace('Compadre\Core\Teaching\Term')];

        return PHPat::rule()->classes(Selector::inNamespace('Compadre\Core\Teaching'))->excluding(...$planners)->shouldNot()->dependOn()
            ->classes(...$planners)->because('needs, times and badges know no plan');
    }

    public function testThePlanKnowsNothingOfHowItIsRead(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('Compadre\Core\Teaching\Rounds'))->shouldNot()->dependOn()
            ->classes(Selector::inNamespace('Compadre\Core\Teaching\Term'))->because('sheets are written from plans');
    }

    public function testControllersOnlyHandOn(): Rule
    {
        $rules = array_map(Selector::inNamespace(...), array_map(static fn (string $room): string => "Compadre\\Core\\$room", array_keys(self::CORE)));

        return PHPat::rule()->classes(Selector::classname('/^App\\\\.+Controller$/', true))->shouldNot()->dependOn()
            ->classes(Selector::classname('Illuminate\Support\Facades\DB'), Selector::classname('Carbon\CarbonImmutable'), ...$rules)
            ->because('actions and boards query, write and decide');
    }

    /**
     * @param  list<string>  $allowed
     * @param  list<string>  $rooms
     */
    private function closed(string $house, string $room, array $allowed, array $rooms): Rule
    {
        $refused = array_values(array_diff($rooms, $allowed, [$room]));

        return PHPat::rule()->classes(Selector::inNamespace("$house\\$room"))->shouldNot()->dependOn()
            ->classes(...array_map(static fn (string $other): SelectorInterface => Selector::inNamespace("$house\\$other"), $refused))
            ->because("$room may use ".($allowed === [] ? 'no other room' : implode(', ', $allowed).' alone'));
    }
}
