<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Credential;

/**
 * How a badge is signed. Nothing else is taken: no shared secrets, and nothing unsigned.
 */
enum Algorithm: string
{
    /** RSASSA-PKCS1-v1_5 with SHA-256, RFC 7518 section 3.3: what most verifiers read. */
    case Rsa = 'RS256';

    /** Ed25519, RFC 8037. */
    case Edwards = 'EdDSA';
}
