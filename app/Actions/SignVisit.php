<?php

declare(strict_types=1);

namespace App\Actions;

use App\Cases\CaseAssembler;
use App\Cases\Judgements;
use App\Cases\SoundRecords;
use App\Cases\TreatmentSummary;
use App\Cases\VisitNote;
use App\Keeping\NoteHash;
use App\Models\Note;
use App\Models\User;
use App\Models\Visit;
use App\Models\VisitStatus;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Somatrace\Core\Clinic;

/** Signs a visit: the record with the whole case and what was made of it is frozen. */
final readonly class SignVisit
{
    public function __construct(
        private CaseAssembler $cases,
        private Judgements $judgements,
        private TreatmentSummary $treatment,
        private SoundRecords $sound,
        private VisitNote $note,
        private Once $once,
        private Clinic $clinic,
    ) {
    }

    /**
     * @param  array{happened: string, advice: string, next_time: string}  $words
     * @param  string  $key  the window's name for this deed: sent twice it is signed once
     *
     * @throws AlreadySigned when somebody was first; nothing is signed twice
     */
    public function handle(Visit $visit, User $user, array $words, string $key, CarbonImmutable $now): Note
    {
        // judged before the lock is taken: others write meanwhile
        $results = $visit->isSigned() ? [] : $this->judgements->of($visit, 'safety', 'pattern', 'response', 'note');

        return Note::query()->findOrFail($this->once->do(
            $key, $user, 'visit signed', fn (): int => $this->sign($visit->refresh(), $user, $words, $results, $now)->id,
        ));
    }

    /**
     * @param  array{happened: string, advice: string, next_time: string}  $words
     * @param  array<string, mixed>  $results
     */
    private function sign(Visit $visit, User $user, array $words, array $results, CarbonImmutable $now): Note
    {
        if ($visit->isSigned()) {
            throw AlreadySigned::of($visit);
        }
        $agreed = $visit->plans()->latest('id')->first();
        $results = [
            ...$results, 'note' => $this->note->final($visit, $results['note']), 'plan' => $agreed === null ? null : $agreed->document,
            'done' => $this->treatment->doneByVisit([$visit->id])[$visit->id] ?? [], 'unreadable' => $this->sound->unreadable($visit->id),
        ];
        $visit->update(['status' => VisitStatus::Signed, 'signed_at' => $now]);
        $visit->loadMissing('client');
        $days = $results['note']['next']['days'] ?? null;
        $visit->client->update([
            'last_seen_at' => $now,
            'due_on' => $days === null ? null : $visit->started_at->addDays($days)->setTimezone($user->clinic->timezone)->format('Y-m-d'),
        ]);
        DB::table('appointments')->where('id', $visit->appointment_id)->update(['status' => 'done']);

        return $this->freeze(
            $visit, $user,
            [
                ...$words, 'revision' => 1, 'case_document' => $this->cases->document($visit), 'results' => $results,
                'atlas_version' => $this->clinic->version(),
            ],
            $now,
        );
    }

    /**
     * A correction is the next revision; the earlier ones stay as they were signed.
     *
     * @param  array{happened: string, advice: string, next_time: string}  $words
     * @param  array<string, string>  $sentences  those that are changed, by name; an empty one is left out
     */
    public function correct(
        Visit $visit, User $user, array $words, array $sentences, string $reason, string $key, CarbonImmutable $now,
    ): Note {
        $correct = function () use ($visit, $user, $words, $sentences, $reason, $now): int {
            $last = $visit->notes()->latest('revision')->firstOrFail();

            return $this->freeze($visit, $user, [
                ...$words, 'revision' => $last->revision + 1, 'case_document' => $last->case_document,
                'results' => self::corrected($last->results, $sentences),
                'reason' => $reason, 'atlas_version' => $last->atlas_version,
            ], $now)->id;
        };

        return Note::query()->findOrFail($this->once->do($key, $user, 'note corrected', $correct));
    }

    /**
     * @param  array<string, mixed>  $results
     * @param  array<string, string>  $sentences
     * @return array<string, mixed>
     */
    private static function corrected(array $results, array $sentences): array
    {
        if (! isset($results['note'])) {
            return $results;
        }
        foreach ($results['note']['parts'] as $at => $part) {
            foreach ($part['sentences'] as $index => $one) {
                $text = $sentences[$one['id']] ?? $one['text'];
                if ($text !== $one['text']) {
                    $results['note']['parts'][$at]['sentences'][$index] = [
                        ...$one, 'composed' => $one['composed'] ?? $one['text'], 'text' => $text,
                    ];
                }
            }
        }

        return $results;
    }

    /** @param  array<string, mixed>  $content */
    private function freeze(Visit $visit, User $user, array $content, CarbonImmutable $now): Note
    {
        $note = $visit->notes()->make([
            ...$content, 'signed_by' => $user->id, 'signed_at' => $now, 'needs_countersign' => $user->role->isSupervised(),
        ]);
        $note->content_hash = NoteHash::of($note->getAttributes());
        $note->save();

        return $note;
    }

    /** A supervisor's name beside every revision that waits for one; what was signed stays as it is. */
    public function countersign(Visit $visit, User $supervisor, CarbonImmutable $now): void
    {
        DB::transaction(static function () use ($visit, $supervisor, $now): void {
            foreach ($visit->notes()->where('needs_countersign', true)->whereNull('countersigned_at')->pluck('id') as $note) {
                $at = $now->format('Y-m-d H:i:s');
                DB::table('notes')->where('id', $note)->update([
                    'countersigned_by' => $supervisor->id, 'countersigned_at' => $at,
                    'countersign_hash' => NoteHash::ofSecondName((int) $note, $supervisor->id, $at),
                ]);
            }
        });
    }
}
