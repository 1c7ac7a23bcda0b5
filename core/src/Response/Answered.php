<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\CaseFile\Aftermath;
use Somatrace\Core\CaseFile\PastVisit;

/** How it was after a visit, of all that was answered since: the longest soreness, and whether it was ever worse. Unasked is null. */
final readonly class Answered
{
    private function __construct(public ?float $soreHours, public ?bool $worse)
    {
    }

    public static function of(?PastVisit $visit): self
    {
        $after = $visit->aftermath ?? [];
        $sore = array_filter(array_map(static fn (Aftermath $one): ?float => $one->sorenessHours, $after), is_float(...));
        $worse = array_filter(array_map(static fn (Aftermath $one): ?bool => $one->worse, $after), is_bool(...));

        return new self($sore === [] ? null : max($sore), $worse === [] ? null : in_array(true, $worse, true));
    }

    public function isAsked(): bool
    {
        return $this->soreHours !== null || $this->worse !== null;
    }
}
