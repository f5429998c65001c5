<?php

declare(strict_types=1);

use App\Models\Attendance;
use App\Models\BadgeTick;
use App\Models\Role;
use App\Models\Row;
use App\Models\User;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;

/** @return list<class-string<Model>> every model there is */
function models(): array
{
    $classes = array_map(static fn (string $file): string => 'App\\Models\\'.basename($file, '.php'), glob(app_path('Models/*.php')) ?: []);

    return array_values(array_filter($classes, static fn (string $class): bool => is_subclass_of($class, Model::class) && $class !== Row::class));
}

it('names the table of every row', function (): void {
    foreach (models() as $class) {
        expect($class === User::class || is_subclass_of($class, Row::class))->toBeTrue($class);
        expect((new ReflectionClass($class))->getProperty('table')->class)->toBe($class);
    }
});

it('knows every model by the whole key of its table, and by nothing else', function (): void {
    expect(count(models()))->toBeGreaterThan(18);
    foreach (models() as $class) {
        $model = new $class;
        $columns = DB::table('information_schema.KEY_COLUMN_USAGE')->where('TABLE_SCHEMA', DB::getDatabaseName())->where('TABLE_NAME', $model->getTable())->where('CONSTRAINT_NAME', 'PRIMARY')->orderBy('ORDINAL_POSITION')->pluck('COLUMN_NAME')->all();
        expect(method_exists($class, 'keyColumns') ? $class::keyColumns() : [$model->getKeyName()])->toEqualCanonicalizing($columns, $class);
    }
});

it('ticks again for one learner without touching another’s tick, of this group or any', function (): void {
    [$group, [$ada, $bram]] = $this->term();
    $note = str_repeat('a', 16);
    $this->api('PUT', "/api/learners/{$ada->id}/ticks/$note", ['met' => true])->assertNoContent();
    $this->api('PUT', "/api/learners/{$bram->id}/ticks/$note", ['met' => true])->assertNoContent();
    $first = BadgeTick::query()->where('learner_id', $ada->id)->value('ticked_by');
    $second = $this->person($group, Role::Instructor, 'tobin@gullwick.example');
    $this->become($second);
    $this->api('PUT', "/api/learners/{$bram->id}/ticks/$note", ['met' => true])->assertNoContent();
    expect(BadgeTick::query()->pluck('ticked_by', 'learner_id')->all())->toBe([$ada->id => $first, $bram->id => $second->id]);
    // And through the model itself: saved and deleted, one row is one row.
    $row = BadgeTick::query()->where('learner_id', $bram->id)->sole();
    $row->update(['ticked_by' => $first]);
    $row->delete();
    expect(BadgeTick::query()->pluck('ticked_by', 'learner_id')->all())->toBe([$ada->id => $first]);
    expect(fn () => BadgeTick::query()->find($note))->toThrow(LogicException::class, 'learner_id and note');
});

it('changes one evening’s mark through its model, and no other’s', function (): void {
    [, [$ada], [$tonight, $next]] = $this->term();
    $lead = User::query()->sole();
    foreach ([$tonight, $next] as $meeting) {
        Attendance::query()->create(['meeting_id' => $meeting->id, 'learner_id' => $ada->id, 'present' => true, 'marked_by' => $lead->id]);
    }
    Attendance::query()->where('meeting_id', $next->id)->sole()->update(['present' => false]);
    expect(Attendance::query()->orderBy('present')->pluck('meeting_id')->all())->toBe([$next->id, $tonight->id]);
});

it('makes two entries one where either has a tick', function (): void {
    [, [$ada, $bram]] = $this->term();
    foreach ([[$ada, 'a'], [$bram, 'a'], [$ada, 'b']] as [$learner, $letter]) {
        $this->api('PUT', "/api/learners/{$learner->id}/ticks/".str_repeat($letter, 16), ['met' => true])->assertNoContent();
    }
    $this->api('POST', "/api/learners/{$ada->id}/merge", ['into' => $bram->id])->assertNoContent();
    expect(BadgeTick::query()->where('learner_id', $bram->id)->orderBy('note')->pluck('note')->all())->toBe([str_repeat('a', 16), str_repeat('b', 16)]);
    expect(BadgeTick::query()->count())->toBe(2);
});
