<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;

/**
 * A strand as a pack writes it: waypoints in rope widths and, for a rope, over (o) and under (u) at every crossing
 * in order of travel from the standing end.
 */
final readonly class StrandPlan
{
    /**
     * @param  list<Point>  $points
     * @param  ?list<Point>  $tight  the same strand drawn up tight
     */
    public function __construct(
        public string $id,
        public StrandKind $kind,
        public array $points,
        public string $word,
        public float $width,
        public ?array $tight,
    ) {
    }

    public static function from(Fields $fields): self
    {
        $kind = StrandKind::tryFrom($fields->text('kind')) ?? throw Refusal::of($fields->place('kind'), $fields->text('kind'), 'one of '.implode(', ', array_column(StrandKind::cases(), 'value')));

        return new self(
            $fields->text('id'), $kind, self::points($fields, 'points'),
            str_replace(' ', '', $fields->text('word', '')), $fields->number('width', 1.0),
            $fields->has('tight') ? self::points($fields, 'tight') : null,
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

        return new self($this->id, $this->kind, $tight ? $this->points : $points, $this->word, $this->width, $tight ? $points : $this->tight);
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
