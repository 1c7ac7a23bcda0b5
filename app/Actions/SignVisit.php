<?php

declare(strict_types=1);

namespace App\Actions;

use App\Cases\CaseAssembler;
use App\Cases\Judgements;
use App\Cases\TreatmentSummary;
use App\Models\Note;
use App\Models\User;
use App\Models\Visit;
use App\Support\NoteHash;
use App\Support\VisitStatus;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Somatrace\Core\Clinic;

/** Signs a visit: the record with the whole case and what was made of it is frozen. */
final readonly class SignVisit
{
    public function __construct(private CaseAssembler $cases, private Judgements $judgements, private TreatmentSummary $treatment, private Clinic $clinic)
    {
    }

    /** @param  array{happened: string, advice: string, next_time: string}  $words */
    public function handle(Visit $visit, User $user, array $words, CarbonImmutable $now): Note
    {
        $results = $this->judgements->of($visit, 'safety', 'pattern', 'response');
        $agreed = $visit->plans()->latest('id')->first();
        $results['plan'] = $agreed === null ? null : $agreed->document;
        $results['done'] = $this->treatment->doneByVisit([$visit->id])[$visit->id] ?? [];

        return DB::transaction(function () use ($visit, $user, $words, $now, $results): Note {
            $visit->update(['status' => VisitStatus::Signed, 'signed_at' => $now]);
            $visit->loadMissing('client');
            $visit->client->update(['last_seen_at' => $now]);
            DB::table('appointments')->where('id', $visit->appointment_id)->update(['status' => 'done']);

            return $this->freeze($visit, $user, [...$words, 'revision' => 1, 'case_document' => $this->cases->document($visit), 'results' => $results, 'atlas_version' => $this->clinic->version()], $now);
        });
    }

    /**
     * A correction is the next revision; the earlier ones stay as they were signed.
     *
     * @param  array{happened: string, advice: string, next_time: string}  $words
     */
    public function correct(Visit $visit, User $user, array $words, string $reason, CarbonImmutable $now): Note
    {
        $last = $visit->notes()->latest('revision')->firstOrFail();

        return $this->freeze($visit, $user, [
            ...$words, 'revision' => $last->revision + 1, 'case_document' => $last->case_document, 'results' => $last->results, 'reason' => $reason, 'atlas_version' => $last->atlas_version,
        ], $now);
    }

    /** @param  array<string, mixed>  $content */
    private function freeze(Visit $visit, User $user, array $content, CarbonImmutable $now): Note
    {
        $note = $visit->notes()->make([...$content, 'signed_by' => $user->id, 'signed_at' => $now, 'needs_countersign' => $user->role->isSupervised()]);
        $note->content_hash = NoteHash::of($note->getAttributes());
        $note->save();

        return $note;
    }

    /** A supervisor's name beside every revision that waits for one; what was signed stays as it is. */
    public function countersign(Visit $visit, User $supervisor, CarbonImmutable $now): void
    {
        $visit->notes()->where('needs_countersign', true)->whereNull('countersigned_at')->update(['countersigned_by' => $supervisor->id, 'countersigned_at' => $now]);
    }
}
