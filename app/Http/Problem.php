<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Setback;
use Compadre\Core\Refusal;
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
     * @param  list<array{field: string, value: mixed, allowed: string, message: string}>  $errors
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
            $error instanceof Refusal => self::refusal($error),
            $error instanceof ModelNotFoundException => self::missing(strtolower(class_basename($error->getModel())), (string) ($error->getIds()[0] ?? '')),
            $error instanceof NotHere => self::missing($error->what, $error->id),
            $error instanceof LivesElsewhere => new self(423, $error->getMessage(), [['field' => '/group', 'value' => $error->group, 'allowed' => 'a group that lives in this house', 'message' => $error->getMessage()]]),
            $error instanceof NoGroup => new self($error->status, $error->getMessage(), [['field' => '/group', 'value' => $error->group, 'allowed' => $error->allowed, 'message' => $error->getMessage()]]),
            $error instanceof DeviceSignedOut => new self(401, $error->getMessage(), [['field' => '/device', 'value' => null, 'allowed' => 'a device that was not signed out', 'message' => $error->getMessage()]]),
            $error instanceof AuthenticationException => new self(401, 'Sign in first.'),
            $error instanceof AuthorizationException => new self(403, 'Your role does not allow this: ask a lead of your group.'),
            $error instanceof TokenMismatchException => new self(419, 'This page has been open for too long. Load it again; nothing was written.'),
            $error instanceof ThrottleRequestsException => self::throttled($error),
            $error instanceof HttpExceptionInterface && $error->getStatusCode() < 500 => new self($error->getStatusCode(), self::plain($error)),
            $error instanceof HttpExceptionInterface => null,
            default => self::setback(Setback::of($error)) ?? self::unforeseen(),
        };
    }

    public function response(): JsonResponse
    {
        return new JsonResponse(['message' => $this->message, 'errors' => $this->errors], $this->status, $this->headers);
    }

    private static function refusal(Refusal $refusal): self
    {
        $about = $refusal->toArray();
        if (preg_match('#/(password|current|token|code|key|secret)$#', $about['field']) === 1) {
            // What opens a door is never said back.
            $about = ['value' => null, 'message' => $about['value'] === null ? $about['message'] : self::plainly($about['field'], $about['allowed'])] + $about;
        }

        if (str_starts_with($about['message'], '/') || str_starts_with($about['message'], 'the input ')) {
            $about['message'] = self::plainly($about['field'], $about['allowed']);
        }

        return new self(422, $about['message'], [$about]);
    }

    /** A refusal in words: people are shown no pointer into what their device sent. */
    private static function plainly(string $field, string $allowed): string
    {
        $steps = explode('/', trim($field, '/'));
        $names = array_values(array_filter($steps, static fn (string $step): bool => $step !== '' && ! ctype_digit($step)));
        $number = ctype_digit((string) end($steps)) ? ' (no. '.((int) end($steps) + 1).')' : '';
        $name = $names === [] ? 'What was sent' : ucfirst(str_replace(['_', '-'], ' ', end($names)));

        return "$name$number is not possible like this. Allowed: $allowed.";
    }

    private static function missing(string $what, string $id): self
    {
        $message = "There is no $what here with the id \"$id\".";

        return new self(404, $message, [['field' => "/$what", 'value' => $id, 'allowed' => "a $what of your group", 'message' => $message]]);
    }

    private static function throttled(ThrottleRequestsException $error): self
    {
        $seconds = $error->getHeaders()['Retry-After'] ?? 60;
        $seconds = is_scalar($seconds) ? (string) $seconds : '60';

        return new self(429, "Too many tries. Wait $seconds seconds, then try again.", [], ['Retry-After' => $seconds]);
    }

    /** What passes: whoever waits and asks again is served. */
    private static function setback(?Setback $setback): ?self
    {
        return $setback === null ? null : new self(503, match ($setback) {
            Setback::Conflict => 'Too many are writing at once just now. Nothing was written; try again in a minute.',
            Setback::Away => 'Compadre is being looked after. Nothing was written; try again in a minute.',
            Setback::Unknown => 'The connection broke off while this was being written. Look whether it is there before you do it again.',
        }, [], ['Retry-After' => '5']);
    }

    /** A fault of the program. What it was stands in the log, under the number that is said. */
    private static function unforeseen(): self
    {
        $number = RequestNumber::of(request());
        $message = 'Something went wrong on the server. Nothing was written.';

        return new self(500, $number === null ? $message : "$message Whoever looks after Compadre finds it by this number: ".substr($number, 0, 12).'.');
    }

    private static function plain(HttpExceptionInterface $error): string
    {
        return match ($error->getStatusCode()) {
            404 => 'There is nothing at this address.',
            405 => 'This address does not take that kind of request.',
            default => $error->getMessage() === '' ? 'This request was not taken.' : $error->getMessage(),
        };
    }
}
