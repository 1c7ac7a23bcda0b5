<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\Judgements;
use App\Cases\SoundRecords;
use App\Cases\VisitNote;
use App\Models\Entry;
use App\Models\EntryKind;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Somatrace\Core\Safety\Verdict;

/** A letter that sends somebody on: drafted from the sentences of the note, changed as wished, and kept with it. */
final readonly class LetterPage
{
    private const TEXT = 'letter';

    /** What of the note is told, each under a head of its own; what was decided stands in the letter itself. @phrases */
    private const TOLD = [
        'reason' => 'What we were told', 'safety' => 'Asked', 'found' => 'Seen, measured and felt', 'done' => 'Done here today',
    ];

    /** Sentences of the note that are meant for whoever treats. */
    private const NOT_TOLD = '/^safety\.(verdict|limit)|^done\.(warm_up|finish|passed_over)|\.usual$/';

    public function __construct(
        private Judgements $judgements,
        private VisitNote $note,
        private SoundRecords $sound,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Visit $visit): array
    {
        $kept = $this->kept($visit);

        return [
            'visit' => ['id' => $visit->public_id, 'number' => $visit->number, 'signed' => $visit->isSigned()],
            'client' => ['id' => $visit->client->public_id, 'name' => $visit->client->name, 'code' => $visit->client->code],
            'draft' => $this->draft($visit), 'text' => is_string($kept?->payload) ? $kept->payload : null,
            'revision' => $kept->revision ?? 0,
        ];
    }

    /** What goes out: the letter as it was changed, or as it was drafted. */
    public function text(Visit $visit): string
    {
        $text = $this->kept($visit)?->payload;

        return is_string($text) && trim($text) !== '' ? $text : $this->draft($visit);
    }

    private function kept(Visit $visit): ?Entry
    {
        return $visit->entries()->where(['kind' => EntryKind::Text, 'phase' => 'before', 'identity' => self::TEXT])->first();
    }

    private function draft(Visit $visit): string
    {
        $visit->people();
        $judged = $this->judgements->of($visit, 'safety', ...$visit->isSigned() ? [] : ['note']);
        $safety = $judged['safety'];
        $client = $visit->client;
        $clinic = $visit->user->clinic;
        $last = $visit->isSigned() ? $visit->notes()->latest('revision')->first() : null;
        $note = $last === null ? $this->note->final($visit, $judged['note']) : $this->note->signed(
            $visit, $last->case_document, $last->results,
        );
        $parts = array_column($note['parts'], 'sentences', 'id');
        $letter = [
            $clinic->name."\n".$clinic->dateWords(CarbonImmutable::parse($visit->day())),
            __('To the doctor of :name, born :born', ['name' => $client->name, 'born' => $clinic->dateWords($client->born_on)]),
            ...$this->opening($client->name, $safety),
            ...array_map(fn (string $part, string $head): string => $this->list(__($head), array_column(array_filter(
                $parts[$part] ?? [], static fn (array $one): bool => preg_match(self::NOT_TOLD, $one['id']) !== 1,
            ), 'text')), array_keys(self::TOLD), self::TOLD),
            $this->list(
                __('Stored and not readable any more, so not part of this'), array_column($this->sound->unreadable($visit->id), 'what'),
            ),
            "{$visit->user->name}\n{$clinic->name}",
        ];

        return implode("\n\n", array_filter($letter))."\n";
    }

    /**
     * Why somebody is sent on, and how soon; of whom nobody sends on, what was done is told and nothing is asked for.
     *
     * @param  array<string, mixed>  $safety
     * @return list<string>
     */
    private function opening(string $name, array $safety): array
    {
        $verdict = Verdict::from($safety['overridden'] ?? $safety['verdict']);
        if (! in_array($verdict, [Verdict::Refer, Verdict::Emergency], true)) {
            return [
                __(':name was here today for massage therapy.', ['name' => $name]).' '
                    .__('This is what we asked, saw, felt and did. We treat muscles and do not diagnose.'),
            ];
        }
        $why = array_filter($safety['because'], static fn (array $one): bool => $one['verdict'] === $verdict->value);

        return [
            __(':name was here today for massage therapy and should be seen :soon.', ['name' => $name, 'soon' => $this->soon($safety)]).' '
                .__('We treat muscles and do not diagnose; this is what we asked, saw and felt.'),
            $this->list(__('Why'), array_column($why, 'reason')),
        ];
    }

    /** @param  array<string, mixed>  $safety */
    private function soon(array $safety): string
    {
        $days = $safety['when']['within_days'] ?? null;

        return match (true) {
            $safety['verdict'] === 'emergency' => __('at once'),
            $days === 0 => __('today'),
            $days === 1 => __('by tomorrow'),
            is_int($days) => __('within :days days', ['days' => $days]),
            default => __('when you can'),
        };
    }

    /** @param  list<string>|array<int, string>  $lines */
    private function list(string $head, array $lines): string
    {
        return $lines === []
            ? ''
            : "$head:\n".implode("\n", array_map(static fn (string $line): string => "– $line", array_unique($lines)));
    }
}
