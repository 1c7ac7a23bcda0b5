<?php

declare(strict_types=1);

namespace App\Actions;

/** What was shown before is no longer what would be done. */
final class RecordChangedMeanwhile extends \RuntimeException
{
}
