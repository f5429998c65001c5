<?php

declare(strict_types=1);

// Ropes in space are reckoned four times as fast with PHP's just-in-time compiler, which the command line leaves off: the program
// is begun anew with it. Standard input has not been read from yet.
if (! (bool) ini_get('opcache.enable_cli') && extension_loaded('Zend OPcache') && function_exists('pcntl_exec') && getenv('COMPADRE_JIT') !== 'off') {
    putenv('COMPADRE_JIT=off');
    pcntl_exec(PHP_BINARY, ['-d', 'opcache.enable_cli=1', '-d', 'opcache.jit=1255', '-d', 'opcache.jit_buffer_size=64M', ...$argv], getenv());
}
