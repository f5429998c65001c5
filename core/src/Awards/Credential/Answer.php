<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Credential;

/**
 * What can be said of a badge that somebody shows. Never that it is valid: whether it says what one wants to know is for the reader.
 */
enum Answer: string
{
    case Good = 'good';
    case IssuerUnknown = 'issuer_unknown';
    case Altered = 'altered';
    case TakenBack = 'taken_back';
    case StatusUnknown = 'status_unknown';
}
