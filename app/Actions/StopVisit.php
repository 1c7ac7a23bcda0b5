<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Visit;
use App\Models\VisitStatus;
use Carbon\CarbonImmutable;

/** Ends a visit unfinished. Everything recorded stays; it can be taken up again. */
final readonly class StopVisit
{
    public function handle(Visit $visit, CarbonImmutable $now): void
    {
        $visit->update(['status' => VisitStatus::Stopped, 'stopped_at' => $now]);
    }

    public function takeUp(Visit $visit): void
    {
        $visit->update(['status' => VisitStatus::Open, 'stopped_at' => null]);
    }
}
