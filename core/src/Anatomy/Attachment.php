<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** One end of a muscle: the landmarks a finger can go to, and the bone in words. */
final readonly class Attachment
{
    /** @param  non-empty-list<string>  $landmarks */
    private function __construct(public array $landmarks, public string $words)
    {
    }

    public static function from(Fields $row): self
    {
        $landmarks = $row->strings('landmarks');

        return new self($landmarks === [] ? throw UnknownId::in('landmark', '') : $landmarks, $row->string('words'));
    }
}
