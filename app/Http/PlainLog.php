<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Log\Logger;
use Monolog\Formatter\JsonFormatter;
use Monolog\Handler\FormattableHandlerInterface;
use Monolog\Logger as Monolog;
use Monolog\LogRecord;
use PDOException;
use Throwable;

/**
 * Writes faults down, a line of JSON each, without anything of the people they happened to: what kind it was, where, and at which
 * request, never the values that a query, a call or a message carried.
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
                $handler->setFormatter(new JsonFormatter);
            }
        }
    }

    private static function plain(LogRecord $record): LogRecord
    {
        $fault = $record->context['exception'] ?? null;
        $number = RequestNumber::of(request());
        $extra = $number === null ? [] : ['request' => $number];

        return $fault instanceof Throwable
            ? $record->with(message: $fault::class, context: self::about($fault), extra: $extra)
            : $record->with(context: array_filter($record->context, is_int(...)), extra: $extra);
    }

    /** @return array{faults: list<string>, calls: list<string>} each with its place: the fault, what led to it, and the calls on the way to it */
    private static function about(Throwable $fault): array
    {
        $faults = $calls = [];
        for ($one = $fault; $one !== null; $one = $one->getPrevious()) {
            // A message may quote what somebody wrote; of the database's, its number says what it was.
            $faults[] = $one::class.($one instanceof PDOException ? ' '.$one->getCode() : '').' at '.self::place($one->getFile()).':'.$one->getLine();
        }
        foreach ($fault->getTrace() as $call) {
            $calls[] = ($call['class'] ?? '').($call['type'] ?? '').$call['function'].' '.self::place($call['file'] ?? '').':'.($call['line'] ?? 0);
        }

        return ['faults' => $faults, 'calls' => $calls];
    }

    private static function place(string $file): string
    {
        return str_replace(base_path().'/', '', $file);
    }
}
