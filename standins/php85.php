<?php

declare(strict_types=1);

if (! function_exists('array_first')) {
    /** The first value of an array, or null when it is empty. */
    function array_first(array $array): mixed
    {
        return $array === [] ? null : $array[array_key_first($array)];
    }
}

if (! function_exists('array_last')) {
    /** The last value of an array, or null when it is empty. */
    function array_last(array $array): mixed
    {
        return $array === [] ? null : $array[array_key_last($array)];
    }
}
