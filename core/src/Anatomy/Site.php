<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** A part of a muscle and how the hand works there; what is empty is as for the whole muscle. */
final readonly class Site
{
    /**
     * @param  list<string>  $zones
     * @param  list<string>  $techniques
     * @param  list<string>  $tools
     */
    private function __construct(public array $zones, public array $techniques, public array $tools)
    {
    }

    public static function from(Fields $row): self
    {
        return new self($row->strings('zones'), $row->strings('techniques'), $row->strings('tools'));
    }
}
