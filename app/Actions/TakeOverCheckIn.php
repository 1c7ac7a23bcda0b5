<?php

declare(strict_types=1);

namespace App\Actions;

use App\Cases\CheckInAnswers;
use App\Models\CheckIn;
use App\Models\User;
use App\Models\Visit;
use Illuminate\Support\Facades\DB;

/** Writes what a client answered into the visit. What the therapist has already written stands. */
final readonly class TakeOverCheckIn
{
    public function __construct(private CheckInAnswers $answers, private SaveEntry $save)
    {
    }

    public function handle(CheckIn $checkIn, Visit $visit, User $user): void
    {
        DB::transaction(function () use ($checkIn, $visit, $user): void {
            $this->save->all($visit, $user, $this->answers->entries($checkIn->answers), $visit->day());
            $checkIn->update(['visit_id' => $visit->id]);
        });
    }
}
