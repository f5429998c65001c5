<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Setback;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Saying;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\Exceptions\ThrottleRequestsException;
use Illuminate\Http\JsonResponse;
use Illuminate\Session\TokenMismatchException;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Throwable;

/**
 * What went wrong, said the same way everywhere: a message, and for each fault the field, the value and what is allowed.
 */
final readonly class Problem
{
    /**
     * @param  list<array{field: string, value: mixed, allowed: string, message: string, code: string, parameters: object}>  $errors
     * @param  array<string, string>  $headers
     */
    private function __construct(private int $status, private string $message, private array $errors = [], private array $headers = [])
    {
    }

    public static function from(Throwable $error): ?self
    {
        // The framework wraps these before it asks.
        $cause = $error->getPrevious();
        if ($cause instanceof ModelNotFoundException || $cause instanceof TokenMismatchException || $cause instanceof AuthorizationException) {
            $error = $cause;
        }

        return match (true) {
            $error instanceof Refusal => self::refused(422, $error),
            $error instanceof TurnedAway => self::refused($error->status, $error->refusal),
            $error instanceof ModelNotFoundException => self::refused(404, NotHere::row($error)->refusal),
            $error instanceof AuthenticationException => self::saying(401, 'http.sign_in'),
            $error instanceof AuthorizationException => self::saying(403, 'http.role'),
            $error instanceof TokenMismatchException => self::saying(419, 'http.page_old'),
            $error instanceof ThrottleRequestsException => self::throttled($error),
            $error instanceof HttpExceptionInterface && $error->getStatusCode() < 500 => self::plain($error),
            $error instanceof HttpExceptionInterface => null,
            default => self::setback(Setback::of($error)) ?? self::unforeseen(),
        };
    }

    public function response(): JsonResponse
    {
        return new JsonResponse(['message' => $this->message, 'errors' => $this->errors], $this->status, $this->headers);
    }

    /**
     * @param  array<string, string|int>  $parameters
     * @param  array<string, string>  $headers
     */
    private static function saying(int $status, string $code, array $parameters = [], array $headers = []): self
    {
        return new self($status, Words::asked()->say(new Saying($code, $parameters)), [], $headers);
    }

    private static function refused(int $status, Refusal $refusal): self
    {
        $words = Words::asked();
        $about = $refusal->toArray($words);
        $isSecret = preg_match('#/(password|current|token|code|key|secret)$#', $about['field']) === 1;
        if (! $refusal->hasSentence() || $isSecret && $about['value'] !== null) {
            $about['message'] = $words->say(self::plainly($refusal));
        }
        if ($isSecret) {
            // What opens a door is never said back.
            $about['value'] = null;
        }

        return new self($status, $about['message'], [$about]);
    }

    /** A refusal in words: people are shown no pointer into what their device sent. */
    private static function plainly(Refusal $refusal): Saying
    {
        $steps = explode('/', trim($refusal->field, '/'));
        $names = array_values(array_filter($steps, static fn (string $step): bool => $step !== '' && ! ctype_digit($step)));
        $last = (string) end($steps);
        $about = ['name' => $names === [] ? new Saying('http.sent') : ucfirst(str_replace(['_', '-'], ' ', end($names))), 'allowed' => $refusal->allowed()];

        return ctype_digit($last) ? new Saying('http.impossible_one', $about + ['number' => (int) $last + 1]) : new Saying('http.impossible', $about);
    }

    private static function throttled(ThrottleRequestsException $error): self
    {
        $seconds = $error->getHeaders()['Retry-After'] ?? 60;
        $seconds = is_numeric($seconds) ? (int) $seconds : 60;

        return self::saying(429, 'http.too_many', ['seconds' => $seconds], ['Retry-After' => (string) $seconds]);
    }

    /** What passes: whoever waits and asks again is served. */
    private static function setback(?Setback $setback): ?self
    {
        return $setback === null ? null : self::saying(503, match ($setback) {
            Setback::Conflict => 'http.conflict',
            Setback::Away => 'http.away',
            Setback::Unknown => 'http.unknown',
        }, [], ['Retry-After' => '5']);
    }

    /** A fault of the program. What it was stands in the log, under the number that is said. */
    private static function unforeseen(): self
    {
        $number = RequestNumber::of(request());

        return $number === null ? self::saying(500, 'http.fault') : self::saying(500, 'http.fault_numbered', ['number' => substr($number, 0, 12)]);
    }

    private static function plain(HttpExceptionInterface $error): self
    {
        $status = $error->getStatusCode();

        return match (true) {
            $status === 404 => self::saying(404, 'http.nothing_here'),
            $status === 405 => self::saying(405, 'http.other_method'),
            $error->getMessage() === '' => self::saying($status, 'http.not_taken'),
            default => new self($status, $error->getMessage()),
        };
    }
}
