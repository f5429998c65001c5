<?php

declare(strict_types=1);

namespace Compadre\Core\Data;

use Compadre\Core\Refusal;

/**
 * A table pasted or read from a file: comma, semicolon, tab or bar between its cells, quoted as RFC 4180 says, in UTF-8 with or
 * without a mark, or in Windows-1252. Blank rows are left out; rows keep the number of the line they begin on.
 */
final readonly class CsvTable
{
    private const DELIMITERS = [',', ';', "\t", '|'];

    /** @param  array<int, list<string>>  $rows  cells by line, from 1 */
    private function __construct(public array $rows, public string $delimiter, public string $encoding)
    {
    }

    public static function read(string $bytes, int $most): self
    {
        $encoding = 'UTF-8';
        if (str_starts_with($bytes, "\xEF\xBB\xBF")) {
            $bytes = substr($bytes, 3);
        }
        if (! mb_check_encoding($bytes, 'UTF-8')) {
            $encoding = 'Windows-1252';
            $bytes = mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252');
        }
        $delimiter = self::delimiter($bytes);
        $rows = self::rows(str_replace(["\r\n", "\r"], "\n", $bytes), $delimiter);
        if ($rows === []) {
            throw Refusal::of('/text', '', 'data.no_rows');
        }
        if (count($rows) > $most) {
            throw Refusal::of('/text', count($rows).' rows', 'data.many_rows', ['most' => $most, 'rows' => count($rows)]);
        }

        return new self($rows, $delimiter, $encoding);
    }

    /**
     * The cells by the name of their column. The first row names the columns, in whatever order, where at least half of it is words for
     * them; what it calls otherwise is left out. Without such a row they come in the order given.
     *
     * @param  array<string, list<string>>  $columns  words for each column, in lower case
     * @return array<int, array<string, string>> by line; under '' what stands beyond the last column
     */
    public function named(array $columns): array
    {
        $rows = $this->rows;
        $head = $this->head($columns);
        if ($head !== null) {
            unset($rows[array_key_first($rows)]);
        }
        $order = $head ?? array_keys($columns);

        return array_map(static function (array $cells) use ($order): array {
            $named = [];
            foreach ($order as $place => $column) {
                $named += $column === null ? [] : [$column => $cells[$place] ?? ''];
            }
            $beyond = trim(implode(' ', array_slice($cells, count($order))));

            return $named + ($beyond === '' ? [] : ['' => $beyond]);
        }, $rows);
    }

    /**
     * Columns that it has and nobody asked for.
     *
     * @param  array<string, list<string>>  $columns
     * @return list<string> as they are called
     */
    public function leftOut(array $columns): array
    {
        $first = $this->rows[array_key_first($this->rows)] ?? [];
        $head = $this->head($columns) ?? [];

        return array_values(array_filter($first, static fn (string $cell, int $place): bool => $cell !== '' && array_key_exists($place, $head) && $head[$place] === null, ARRAY_FILTER_USE_BOTH));
    }

    /**
     * @param  array<string, list<string>>  $columns
     * @return ?list<?string> the column each place of the first row names; null where that row names none
     */
    private function head(array $columns): ?array
    {
        $head = [];
        foreach ($this->rows[array_key_first($this->rows)] ?? [] as $cell) {
            $column = self::column($cell, $columns);
            // Of two that mean the same the first counts.
            $head[] = in_array($column, $head, true) ? null : $column;
        }
        $known = count(array_filter($head, is_string(...)));
        $named = count(array_filter($this->rows[array_key_first($this->rows)] ?? [], static fn (string $cell): bool => $cell !== ''));

        return $known > 0 && 2 * $known >= $named ? $head : null;
    }

    /**
     * A table as a file, with CRLF, quoted where it must be.
     *
     * @param  list<string>  $head
     * @param  list<list<string>>  $rows
     * @param  string  $between  a comma, or a tab, which spreadsheets take from a clipboard
     */
    public static function write(array $head, array $rows, string $between = ','): string
    {
        // What begins like this, a spreadsheet would reckon out: a name must not do anything. Blanks round it are not read either.
        $tame = static fn (string $text): string => preg_match("/^[=+\\-@']/", $text) === 1 ? "'$text" : $text;
        $cell = static fn (string $text): string => preg_match('/[",;\t|\r\n]|^\s|\s$/', $text) === 1 ? '"'.str_replace('"', '""', $text).'"' : $text;

        return implode('', array_map(static fn (array $row): string => implode($between, array_map(static fn (string $text): string => $cell($tame(trim($text))), $row))."\r\n", [$head, ...$rows]));
    }

    /** @param  array<string, list<string>>  $columns */
    private static function column(string $cell, array $columns): ?string
    {
        // As people write them: "Length (mm)", "age_band", "Tied?".
        $word = trim((string) preg_replace('/[\s_.:?()*-]+/u', ' ', mb_strtolower($cell)));
        foreach ($columns as $name => $words) {
            if (in_array($word, $words, true)) {
                return $name;
            }
        }

        return null;
    }

    /** The one that divides the first lines most alike: quoted stretches do not count. */
    private static function delimiter(string $text): string
    {
        $lines = array_slice(preg_split('/\R/', (string) preg_replace('/"[^"]*"/', '', $text)) ?: [], 0, 20);
        $lines = array_values(array_filter($lines, static fn (string $line): bool => trim($line) !== ''));
        $best = [0, ','];
        foreach (self::DELIMITERS as $delimiter) {
            $counts = array_count_values(array_map(static fn (string $line): int => substr_count($line, $delimiter), $lines));
            unset($counts[0]);
            $alike = $counts === [] ? 0 : max($counts);
            $best = $alike > $best[0] ? [$alike, $delimiter] : $best;
        }

        return $best[1];
    }

    /**
     * Read by PHP itself, once the quotes are known to close.
     *
     * @return array<int, list<string>>
     */
    private static function rows(string $text, string $delimiter): array
    {
        self::holdQuotes($text, $delimiter);
        $stream = fopen('php://memory', 'r+');
        if ($stream === false) {
            throw Refusal::of('/text', '', 'data.memory');
        }
        fwrite($stream, $text);
        rewind($stream);
        $rows = [];
        [$line, $read] = [1, 0];
        while (($cells = fgetcsv($stream, null, $delimiter, '"', '')) !== false) {
            $cells = array_map(static fn (?string $cell): string => self::plain(trim((string) $cell)), $cells);
            if (implode('', $cells) !== '') {
                $rows[$line] = $cells;
            }
            $now = (int) ftell($stream);
            $line += substr_count($text, "\n", $read, $now - $read);
            $read = $now;
        }
        fclose($stream);

        return $rows;
    }

    /**
     * A quote opens only where a cell begins, and has to close: else it would swallow all that comes after it. One look at each
     * character.
     *
     * @throws Refusal with the line of a quote that is left open
     */
    private static function holdQuotes(string $text, string $delimiter): void
    {
        $line = 1;
        $length = strlen($text);
        for ($at = 0; $at < $length;) {
            // A cell begins: blanks before its quote count for nothing.
            $at += strspn($text, $delimiter === "\t" ? ' ' : " \t", $at);
            if (($text[$at] ?? '') === '"') {
                $open = $line;
                for ($at++; ; $at += 2) {
                    $plain = strcspn($text, '"', $at);
                    $line += substr_count($text, "\n", $at, $plain);
                    $at += $plain;
                    if ($at >= $length) {
                        throw Refusal::of('/text', "line $open", 'data.quote', ['line' => $open]);
                    }
                    if (($text[$at + 1] ?? '') !== '"') {
                        $at++;
                        break;
                    }
                }
            }
            $at += strcspn($text, $delimiter."\n", $at);
            $line += ($text[$at] ?? '') === "\n" ? 1 : 0;
            $at++;
        }
    }

    /** A text that a spreadsheet would take for a formula is written behind one quote mark, which is taken off again. */
    private static function plain(string $cell): string
    {
        return preg_match("/^'[=+\\-@']/", $cell) === 1 ? substr($cell, 1) : $cell;
    }
}
