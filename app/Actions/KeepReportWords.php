<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\ReportWords;
use App\Models\User;
use App\Models\Visit;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Keeps what is added to a report, unless somebody else has changed it since it was read. */
final readonly class KeepReportWords
{
    /**
     * @param  'client'|'referrer'  $reader
     * @param  int  $seen  the revision that was read; 0 where there was none
     * @return array{kept: bool, stands: ReportWords} what stands now: these words, or those of who was faster
     *
     * @throws ValidationException  for a revision nobody has written
     */
    public function handle(Visit $visit, User $user, string $reader, string $words, int $seen): array
    {
        return DB::transaction(static function () use ($visit, $user, $reader, $words, $seen): array {
            $stands = ReportWords::query()->where(['visit_id' => $visit->id, 'reader' => $reader])->first();
            $real = $stands->revision ?? 0;
            if ($seen > $real) {
                throw SeenBeforeWritten::revision($seen, $real);
            }
            if ($stands !== null && $seen < $real) {
                return ['kept' => $stands->words === $words, 'stands' => $stands];
            }
            $stands ??= new ReportWords(['visit_id' => $visit->id, 'reader' => $reader]);
            $stands->fill(['words' => $words, 'revision' => $real + 1, 'user_id' => $user->id])->save();

            return ['kept' => true, 'stands' => $stands];
        });
    }
}
