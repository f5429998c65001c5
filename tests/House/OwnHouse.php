<?php

declare(strict_types=1);

namespace Tests\House;

use RuntimeException;
use Symfony\Component\Process\Process;
use Tests\TestHouse;

/** A house of a test's own, var/NAME, with a database and ports of its own, handled by the functions of ops/. */
final readonly class OwnHouse
{
    /** @param  string  $more  shell lines that come before every script */
    public function __construct(private string $name, private string $more = '')
    {
    }

    /** In a script, $dir is the house's folder. */
    public function process(string $script, float $seconds = TestHouse::PATIENCE): Process
    {
        $root = dirname(__DIR__, 2);

        return new Process([...TestHouse::asAccount(), 'bash', '-c', <<<SH
            set -euo pipefail
            umask 077
            home="$root"; cd "\$home"
            for part in say account packages build services database house backup along lan; do source "ops/\$part.sh"; done
            # Nobody looks at a drawing in these houses.
            house_warm() { :; }
            dir="\$(house_dir $this->name)"
            $this->more
            $script
            SH], $root, timeout: $seconds);
    }

    /** Begins it anew, with a small group in it whose lead is Maren. */
    public function found(): void
    {
        $learners = 'array_map(fn ($n) => Compadre\Core\Data\Fields::of(["name" => $n, "age_band" => "8-10"]), ["Ada P.", "Bram K.", "Cleo M.", "Dov R."])';
        $this->run(<<<SH
            house_stop $this->name 2>/dev/null; rm -rf "\$dir"; house_start $this->name
            house_artisan $this->name tinker --execute '\$g = App\Models\Group::query()->create(["name" => "Gullwick Lantern Crew", "time_zone" => "UTC", "units" => "mm", "age_from" => 8, "age_to" => 13])->refresh(); \$g->ropes()->create(["name" => "Practice rope", "diameter_mm" => 10, "material" => "polyester", "is_usual" => true]); \$g->badges()->create(["badge" => "lantern-hand"]); App\Models\User::query()->create(["name" => "Maren Holt", "email" => "maren@gullwick.example", "password" => "lantern-tail-77"])->memberships()->create(["group_id" => \$g->id, "role" => "lead"]); app(App\Crew\AddLearners::class)(\$g, $learners);'
            SH);
    }

    /** What the database answers, without a head line. */
    public function asked(string $sql): string
    {
        return $this->run("database_root \"\$(cat \"\$dir/run/sockets\")\" -N \"\$(house_database $this->name)\" -e \"$sql\"");
    }

    public function end(): void
    {
        $this->run("house_stop $this->name 2>/dev/null; rm -rf \"\$dir\"");
    }

    /** @throws RuntimeException with all that was said, where the script fails */
    public function run(string $script, float $seconds = TestHouse::PATIENCE): string
    {
        $process = $this->process($script, $seconds);
        $process->run();

        return $process->isSuccessful() ? trim($process->getOutput()) : throw new RuntimeException($process->getOutput().$process->getErrorOutput());
    }
}
