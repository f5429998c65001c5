<?php

declare(strict_types=1);

namespace App\Practice;

use App\Knots\Drawings;
use App\Knots\KnotFacts;
use App\Knots\KnotView;
use App\Models\Group;
use App\Models\PracticeCard;
use Compadre\Core\Checking\MemoryModel;
use Compadre\Core\Data\Fields;
use Compadre\Core\Drawing\Drawing;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\View;
use Compadre\Core\Practice\Kit;
use Compadre\Core\Practice\Rest;
use Illuminate\Support\Facades\DB;

/**
 * What a card opens: the knots this group learns, as its house ties them and for the card's hand. No name of anybody is in it.
 */
final readonly class Corner
{
    /** After so long it says that it is enough for today. */
    private const ENOUGH_MINUTES = 10;

    public function __construct(private Library $library, private KnotView $knots, private Drawings $drawings, private KnotFacts $facts, private HomeKnots $home, private Kit $kit)
    {
    }

    /** @return array<string, mixed> */
    public function of(PracticeCard $card): array
    {
        $group = $card->group;
        $model = $group->memory_model === null ? MemoryModel::usual() : MemoryModel::from(Fields::of($group->memory_model));

        return [
            'view' => View::forHand($card->hand)->value, 'words' => $group->words, 'ends_on' => $card->ends_on, 'today' => $group->today(),
            'hints' => $card->hints && $card->learner_id !== null, 'knots' => $this->knotsOf($group), 'rest' => Rest::table($model), 'enough_minutes' => self::ENOUGH_MINUTES,
        ];
    }

    /** @return list<array{id: string, name: string, family: string, method: string, minutes: int, with_adult: bool, home: bool, comes: ?int}> */
    public function knotsOf(Group $group): array
    {
        $home = $this->home->of($group);
        $comes = array_flip($this->planned($group));

        return array_map(fn (KnotPack $knot): array => [
            'id' => $knot->id, 'name' => $knot->names[0], 'family' => $knot->family->value, 'method' => $group->methods[$knot->id] ?? $knot->methods[0]->id,
            'minutes' => $knot->minutes, 'with_adult' => $knot->withAdult, 'home' => in_array($knot->id, $home, true), 'comes' => $comes[$knot->id] ?? null,
        ], $this->learned($group, $home));
    }

    /**
     * One knot with all that may be asked of it.
     *
     * @param  'left'|'learner'  $view
     * @return array<string, mixed>
     */
    public function kit(string $id, ?string $method, string $view): array
    {
        $knot = $this->library->forLearners($id);
        $way = $knot->method($method);

        $kit = $this->drawings->kept("kit-$knot->id-$way->id-$view", fn (): array => $this->kit->of($knot, $way, $view === View::Left->value ? 'left' : 'right'));

        return ['knot' => $this->knots->of($knot->id, $way->id, $view) + ['badges' => [], 'ropes' => []], 'tasks' => $kit['tasks'], 'forms' => (object) $kit['forms'], 'table' => $kit['table'], 'known' => (object) $kit['known']];
    }

    /**
     * Every knot that is learned, finished: what a job is answered with.
     *
     * @param  'left'|'learner'  $view
     * @return array<string, array{name: string, drawing: array<string, mixed>}>
     */
    public function pictures(string $view): array
    {
        return $this->drawings->kept("pictures-$view", function () use ($view): array {
            $pictures = [];
            foreach (array_filter($this->library->all(), static fn (KnotPack $knot): bool => $knot->isTaught()) as $knot) {
                $finished = $knot->finished($knot->methods[0]);
                $seen = View::from($view);
                $drawing = $finished === null ? Drawing::loose($seen->of(DiagramBuilder::loose($knot->methods[0], $knot->file))) : Drawing::finished($finished, $seen);
                $pictures[$knot->id] = ['name' => $knot->names[0], 'drawing' => $drawing->toArray()];
            }

            return $pictures;
        });
    }

    /**
     * What its badges want and what is set for home, with all that these build on; what needs nothing first.
     *
     * @param  list<string>  $home
     * @return list<KnotPack>
     */
    private function learned(Group $group, array $home): array
    {
        $open = [...array_keys($this->facts->wantedBy($group)), ...$home];
        $found = [];
        while ($open !== []) {
            $id = array_pop($open);
            if (! isset($found[$id]) && $this->library->has($id) && $this->library->knot($id)->isTaught()) {
                $found[$id] = $this->library->knot($id);
                array_push($open, ...$found[$id]->prerequisites);
            }
        }
        usort($found, fn (KnotPack $a, KnotPack $b): int => [$this->library->depth($a->id), $a->minutes, $a->id] <=> [$this->library->depth($b->id), $b->minutes, $b->id]);

        return $found;
    }

    /** @return list<string> knots that are to be taught from today on, the next first */
    private function planned(Group $group): array
    {
        $parts = DB::table('plan_parts')->join('meetings', 'meetings.id', '=', 'plan_parts.meeting_id')->where('plan_parts.group_id', $group->id)->where('plan_parts.kind', 'lesson')
            ->whereNull('meetings.cancelled_at')->where('meetings.date', '>=', $group->today())->orderBy('meetings.date')->orderBy('meetings.starts_at')->orderBy('plan_parts.position');

        /** @var list<string> */
        return array_values(array_unique($parts->pluck('plan_parts.what')->all()));
    }
}
