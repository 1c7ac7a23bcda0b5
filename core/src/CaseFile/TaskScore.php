<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Data\Fields;

/** An everyday task, 0 cannot do it … 10 as before; null where nobody has asked. */
final readonly class TaskScore
{
    public function __construct(public string $task, public ?float $score = null)
    {
    }

    public static function from(Fields $f): self
    {
        return new self($f->string('task'), $f->floatOrNull('score'));
    }
}
