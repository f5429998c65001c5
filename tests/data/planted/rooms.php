<?php

declare(strict_types=1);

// What the rules of tests/Arch/Rooms.php are there to find: each class breaks one.

namespace App\Knots {
    final class ReachesIntoTheHouse
    {
        public function __construct(public \App\House\KeepHouse $keep)
        {
        }
    }
}

namespace App\Models {
    final class ReachesIntoARoom
    {
        public function names(): \App\Knots\KnotNames
        {
            return new \App\Knots\KnotNames;
        }
    }
}

namespace App\Course {
    final class WritingController
    {
        public function write(): void
        {
            \Illuminate\Support\Facades\DB::table('meetings')->delete();
        }
    }
}

namespace Compadre\Core\Topology {
    final class KnowsAKnot
    {
        public function __construct(public \Compadre\Core\Knots\Method $method)
        {
        }
    }
}

namespace Compadre\Core\Rope {
    final class KnowsARow
    {
        public function __construct(public \App\Models\Rope $rope)
        {
        }
    }
}

namespace Compadre\Core\Teaching {
    final class KnowsThePlan
    {
        public function __construct(public Rounds\TermPlan $plan)
        {
        }
    }
}
