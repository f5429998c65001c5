<?php

declare(strict_types=1);

namespace Tests\Arch;

/**
 * The rooms and their arrows as a Mermaid graph, for docs/architecture.md. Arrows that follow from others are left out.
 */
final class RoomPicture
{
    public static function drawn(): string
    {
        $lines = ['graph TD'];
        foreach (['app' => Rooms::APP, 'core' => Rooms::CORE] as $house => $rooms) {
            $lines[] = "    subgraph $house";
            foreach (array_keys($rooms) as $room) {
                $lines[] = '        '.self::id($house, $room)."[$room]";
            }
            $lines[] = '    end';
        }
        foreach (['app' => Rooms::APP, 'core' => Rooms::CORE] as $house => $rooms) {
            foreach ($rooms as $room => $others) {
                foreach (self::next($rooms, $others) as $other) {
                    $lines[] = '    '.self::id($house, $room).' --> '.self::id($house, $other);
                }
            }
        }
        $lines[] = '    screens[resources/js] -- HTTP --> app';
        $lines[] = '    app --> core';

        return implode("\n", $lines);
    }

    /**
     * Of the rooms one may use, those it does not reach by way of another.
     *
     * @param  array<string, list<string>>  $rooms
     * @param  list<string>  $others
     * @return list<string>
     */
    private static function next(array $rooms, array $others): array
    {
        $byWayOf = array_merge([], ...array_map(static fn (string $other): array => $rooms[$other], $others));

        return array_values(array_diff($others, $byWayOf));
    }

    private static function id(string $house, string $room): string
    {
        return $house.'_'.$room;
    }
}
