<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Log\Logger;
use Monolog\Formatter\LineFormatter;
use Monolog\Handler\FormattableHandlerInterface;
use Monolog\Logger as Monolog;
use Monolog\LogRecord;
use PDOException;
use Throwable;

/**
 * Writes faults down without anything of the people they happened to: what kind it was and where, never the values that a query, a
 * call or a message carried.
 */
final class PlainLog
{
    public function __invoke(Logger $logger): void
    {
        $monolog = $logger->getLogger();
        if (! $monolog instanceof Monolog) {
            return;
        }
        $monolog->pushProcessor(self::plain(...));
        foreach ($monolog->getHandlers() as $handler) {
            if ($handler instanceof FormattableHandlerInterface) {
                $handler->setFormatter(new LineFormatter(allowInlineLineBreaks: true));
            }
        }
    }

    private static function plain(LogRecord $record): LogRecord
    {
        $fault = $record->context['exception'] ?? null;

        return $fault instanceof Throwable ? $record->with(message: self::about($fault), context: []) : $record->with(context: array_filter($record->context, is_int(...)));
    }

    private static function about(Throwable $fault): string
    {
        $lines = [];
        for ($one = $fault; $one !== null; $one = $one->getPrevious()) {
            // A message may quote what somebody wrote; of the database's, its number says what it was.
            $lines[] = $one::class.($one instanceof PDOException ? ' '.$one->getCode() : '').' at '.self::place($one->getFile()).':'.$one->getLine();
        }
        foreach ($fault->getTrace() as $call) {
            $lines[] = '  '.($call['class'] ?? '').($call['type'] ?? '').$call['function'].' '.self::place($call['file'] ?? '').':'.($call['line'] ?? 0);
        }

        return implode("\n", $lines);
    }

    private static function place(string $file): string
    {
        return str_replace(base_path().'/', '', $file);
    }
}
