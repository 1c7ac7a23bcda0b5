<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\EntryRows;
use App\Cases\Judgements;
use App\Models\EntryKind;
use App\Models\Visit;

/** The plan on one page: the one that was agreed, else the one that stands. */
final readonly class PlanPaperPage
{
    public function __construct(private Judgements $judged)
    {
    }

    /** @return array<string, mixed> */
    public function of(Visit $visit): array
    {
        $rows = EntryRows::of([$visit->id]);
        $agreed = $visit->plans()->latest('id')->first();

        return [
            ...PaperHead::of($visit), 'minutes' => $visit->minutes,
            'complaints' => $rows->payloads(EntryKind::Complaint), 'consent' => $rows->payloads(EntryKind::Consent),
            'agreed' => $agreed === null ? null : $visit->user->clinic->dateWords($agreed->agreed_at, true),
            'plan' => $agreed->document ?? $this->judged->of($visit, 'plan')['plan'],
        ];
    }
}
