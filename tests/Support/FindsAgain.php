<?php

declare(strict_types=1);

namespace Tests\Support;

use Closure;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Remote\RemoteExecuteMethod;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;

/**
 * Asks an element of a page; where the page has been drawn anew since it was found, it is looked for again. What is refused as
 * stale was not done, so nothing is done twice.
 */
final class FindsAgain extends RemoteExecuteMethod
{
    /** What it goes by now. */
    private string $now;

    /**
     * @param  string  $id  what the element went by when it was found
     * @param  Closure(): RemoteWebElement  $again
     */
    public function __construct(RemoteWebDriver $driver, private readonly string $id, private readonly Closure $again)
    {
        parent::__construct($driver);
        $this->now = $id;
    }

    /** @param  array<mixed>  $parameters */
    public function execute($command_name, array $parameters = [])
    {
        try {
            return parent::execute($command_name, $this->with($parameters));
        } catch (StaleElementReferenceException) {
            $this->now = ($this->again)()->getID();

            return parent::execute($command_name, $this->with($parameters));
        }
    }

    /**
     * @param  array<mixed>  $parameters
     * @return array<mixed>
     */
    private function with(array $parameters): array
    {
        array_walk_recursive($parameters, function (mixed &$value): void {
            $value = $value === $this->id ? $this->now : $value;
        });

        return $parameters;
    }
}
