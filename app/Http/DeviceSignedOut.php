<?php

declare(strict_types=1);

namespace App\Http;

use RuntimeException;

/**
 * This device was signed out from elsewhere: it is told so, and clears itself.
 */
final class DeviceSignedOut extends RuntimeException
{
    public function __construct()
    {
        parent::__construct('This device was signed out by a lead. What was kept on it is cleared.');
    }
}
