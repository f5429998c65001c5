<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Data\Fields;

/**
 * A strand as a pack writes it: waypoints in rope widths and, for a rope, over (o) and under (u) at every crossing
 * in order of travel from the standing end.
 */
final readonly class StrandPlan
{
    /**
     * @param  list<Point>  $points
     * @param  ?list<Point>  $tight  the same strand drawn up tight
     * @param  ?float  $bight  the waypoint of the tip, for a rope that is tied doubled: both its sides then travel together
     * @param  RunsOn  $runsOn  its loaded ends; a rope is drawn from its standing end, unless only its far end runs on
     * @param  int  $appears  the step with which an object is brought in, from 1
     */
    public function __construct(
        public string $id,
        public StrandKind $kind,
        public array $points,
        public string $word,
        public float $width,
        public ?array $tight,
        public ?float $bight = null,
        public RunsOn $runsOn = RunsOn::Start,
        public int $appears = 1,
    ) {
    }

    public static function from(Fields $fields): self
    {
        return new self(
            $fields->text('id'), $fields->choice('kind', StrandKind::class), self::points($fields, 'points'),
            str_replace(' ', '', $fields->text('word', '')), $fields->number('width', 1.0),
            $fields->has('tight') ? self::points($fields, 'tight') : null,
            $fields->numberOrNull('bight'), $fields->choice('runs_on', RunsOn::class, RunsOn::Start),
            $fields->wholeOrNull('appears') ?? 1,
        );
    }

    /** @return list<Point> the waypoints of the loose or the tight drawing; the loose ones where there are no others */
    public function layout(bool $tight): array
    {
        return $tight && $this->tight !== null ? $this->tight : $this->points;
    }

    /** The same strand with one waypoint moved. */
    public function moved(int $waypoint, Point $by, bool $tight): self
    {
        $points = $this->layout($tight);
        $points[$waypoint] = $points[$waypoint]->plus($by);
        $points = array_values($points);

        return new self($this->id, $this->kind, $tight ? $this->points : $points, $this->word, $this->width, $tight ? $points : $this->tight, $this->bight, $this->runsOn, $this->appears);
    }

    /** @return list<Point> */
    private static function points(Fields $fields, string $name): array
    {
        $points = [];
        foreach ($fields->list($name) as $index => $pair) {
            $points[] = Point::read($pair, $fields->place($name).'/'.$index);
        }

        return $points;
    }
}
