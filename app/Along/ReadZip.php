<?php

declare(strict_types=1);

namespace App\Along;

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Saying;
use ZipArchive;

/**
 * A group's zip from somewhere else: only what belongs in it is read, and no more of it than it says.
 */
final class ReadZip
{
    /** Bytes that a file in it comes to at most, and all of them together. */
    private const ONE = 128 * 1024 * 1024;

    private const ALL = 256 * 1024 * 1024;

    private const MANIFEST = 256 * 1024;

    private const LINE = 24 * 1024 * 1024;

    public readonly string $group;

    public readonly string $name;

    public readonly bool $hasKeys;

    /** @var array<string, array{rows: int, sha256: string}> */
    private array $tables = [];

    private function __construct(private readonly ZipArchive $zip)
    {
        $this->holdNames();
        $manifest = $this->manifest();
        [$this->group, $this->name] = [$manifest->object('group')->text('id'), $manifest->object('group')->text('name')];
        if (preg_match('/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/', $this->group) !== 1) {
            throw self::refused('along.zip_of_whom');
        }
        $this->hasKeys = $manifest->flag('keys');
    }

    /** @throws Refusal */
    public static function open(string $file, ?string $password): self
    {
        $zip = new ZipArchive;
        if ($zip->open($file, ZipArchive::RDONLY) !== true) {
            throw self::refused('along.zip_broken');
        }
        if ($password !== null) {
            $zip->setPassword($password);
        }
        try {
            return new self($zip);
        } catch (Refusal $no) {
            $zip->close();
            throw str_starts_with($no->field, '/file') || $no->field === '/password' ? $no : self::refused('along.zip_manifest', ['why' => $no->sentence()]);
        }
    }

    /** @param  array<string, string|int|Saying>  $parameters */
    public static function refused(string $code, array $parameters = []): Refusal
    {
        return Refusal::of('/file', null, 'along.no_zip', ['why' => new Saying($code, $parameters)]);
    }

    /**
     * The rows of a table, one after another; that they are all there, and as they were written, is known when the last has been read.
     *
     * @return iterable<int, array<string, mixed>> by line, from 1
     *
     * @throws Refusal
     */
    public function rows(string $table): iterable
    {
        $stream = $this->zip->getStream("$table.ndjson");
        if ($stream === false) {
            throw self::refused('along.zip_part', ['part' => $table]);
        }
        $hash = hash_init('sha256');
        $line = $size = 0;
        try {
            while (($text = @stream_get_line($stream, self::LINE, "\n")) !== false && ($text !== '' || ! feof($stream))) {
                $line++;
                $size += strlen($text) + 1;
                if ($size > self::ONE || $line > $this->tables[$table]['rows']) {
                    throw self::refused('along.zip_long', ['part' => $table]);
                }
                hash_update($hash, "$text\n");
                $row = json_decode($text, true, 4);
                if (! is_array($row)) {
                    throw self::refused('along.zip_line', ['line' => $line, 'part' => $table]);
                }
                yield $line => $row;
            }
        } finally {
            fclose($stream);
        }
        if ($line !== $this->tables[$table]['rows'] || ! hash_equals($this->tables[$table]['sha256'], hash_final($hash))) {
            throw self::refused('along.zip_changed', ['part' => $table]);
        }
    }

    /** Names that belong in it, each once, and no larger than they may be: what a zip says of itself is no more than a claim, and held to when it is read. */
    private function holdNames(): void
    {
        $known = array_fill_keys(['manifest.json', ...array_map(static fn (string $table): string => "$table.ndjson", GroupTables::parts())], true);
        $all = 0;
        for ($n = 0; $n < $this->zip->numFiles; $n++) {
            $about = $this->zip->statIndex($n);
            $name = $about === false ? '' : $about['name'];
            if ($about === false || ! isset($known[$name])) {
                throw self::refused('along.zip_stranger', ['name' => mb_strimwidth(mb_scrub($name), 0, 60, '…')]);
            }
            unset($known[$name]);
            $all += $about['size'];
            if ($about['size'] > self::ONE || $all > self::ALL) {
                throw self::refused('along.zip_large');
            }
        }
        if ($known !== []) {
            throw self::refused('along.zip_lacks', ['part' => array_key_first($known)]);
        }
    }

    private function manifest(): Fields
    {
        $about = $this->zip->statName('manifest.json');
        $text = $about !== false && $about['size'] <= self::MANIFEST ? @$this->zip->getFromName('manifest.json', self::MANIFEST) : false;
        if ($text === false) {
            throw $about !== false && $about['encryption_method'] !== ZipArchive::EM_NONE
                ? Refusal::of('/password', null, 'along.locked')
                : self::refused('along.zip_of_what');
        }
        $manifest = Fields::of(Json::arrays(Json::read($text)));
        if ($manifest->text('format') !== WriteGroup::FORMAT) {
            throw self::refused('along.zip_foreign');
        }
        if ($manifest->whole('version') !== WriteGroup::VERSION || $manifest->text('schema') !== WriteGroup::schema()) {
            throw self::refused('along.zip_version');
        }
        foreach (GroupTables::parts() as $table) {
            $part = $manifest->object('tables')->object($table);
            $this->tables[$table] = ['rows' => $part->whole('rows'), 'sha256' => $part->text('sha256')];
        }

        return $manifest;
    }
}
