<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\NoteRemark;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Validation\ValidationException;

/** Instead of their name a supervisor gives words; the note waits for its author, and once corrected for a name again. */
final readonly class GiveNoteBack
{
    /** @throws ValidationException when no note of the visit waits for a second name any more */
    public function handle(Visit $visit, User $supervisor, string $words, CarbonImmutable $now): void
    {
        $waits = $visit->notes()->where('needs_countersign', true)->whereNull('countersigned_at')->max('revision');
        if ($waits === null) {
            throw ValidationException::withMessages(['words' => 'This note has its second name already: nothing was given back.']);
        }
        // said again, it is what was said last
        NoteRemark::query()->updateOrCreate(
            ['visit_id' => $visit->id, 'revision' => (int) $waits], ['user_id' => $supervisor->id, 'words' => $words, 'said_at' => $now],
        );
    }
}
