<?php

declare(strict_types=1);

use Tests\BrowserCase;
use Tests\FeatureCase;

pest()->extend(FeatureCase::class)->in('Feature');
pest()->extend(BrowserCase::class)->in('Browser');
