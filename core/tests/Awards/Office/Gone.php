<?php

declare(strict_types=1);

namespace Compadre\Core\Tests\Awards\Office;

use RuntimeException;

/** Whoever runs the errand is gone: from here on nothing of that run happens. */
final class Gone extends RuntimeException
{
}
