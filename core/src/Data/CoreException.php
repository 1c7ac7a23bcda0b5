<?php

declare(strict_types=1);

namespace Somatrace\Core\Data;

/** Everything the core throws carries this mark. */
interface CoreException extends \Throwable
{
}
