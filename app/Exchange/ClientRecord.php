<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Cases\BroughtEntry;
use App\Cases\ClientDetails;
use App\Cases\SoundRecords;
use App\Cases\TreatmentSummary;
use App\Models\Client;
use App\Models\EntryKind;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** The whole record of one client as plain values: who, and visit by visit what was found, done, agreed and written. */
final readonly class ClientRecord
{
    /**
     * @param  array<string, mixed>  $details as ClientDetails gives them
     * @param  list<RecordVisit>  $visits oldest first
     */
    public function __construct(public array $details, public string $id, public array $visits)
    {
    }

    public static function of(Client $client, string $timezone, TreatmentSummary $treatment, SoundRecords $sound): self
    {
        $visits = $client->visits()->with('user')->orderBy('number')->get();
        $ids = array_values($visits->map(static fn (Visit $visit): int => $visit->id)->all());
        $sound->look($ids);
        $entries = [];
        foreach (
            DB::table('entries')
                ->whereIn('visit_id', $ids)
                ->whereNull('fault')
                ->whereNotNull('payload')
                ->where('payload', '!=', 'null')
                ->where('kind', '!=', EntryKind::Done->value)
                ->orderByDesc('phase')
                ->orderBy('kind')
                ->orderBy('identity')
                ->get() as $row
        ) {
            $phase = $row->phase === 'after' ? 'after' : 'before';
            $entries[(int) $row->visit_id][] = new BroughtEntry(
                EntryKind::from((string) $row->kind), $phase, (string) $row->identity, json_decode((string) $row->payload, true),
                (string) $row->said_on,
            );
        }
        $done = $treatment->doneByVisit($ids);
        $plans = DB::table('plans')
            ->whereIn('visit_id', $ids)
            ->orderBy('id')
            ->pluck('document', 'visit_id')
            ->all(); // the last one agreed stays
        $notes = DB::table('notes')->join('users', 'users.id', '=', 'notes.signed_by')->whereIn('visit_id', $ids)->orderBy('revision')
            ->get([
                'visit_id', 'revision', 'happened', 'advice', 'next_time', 'reason', 'signed_at', 'users.name as signer', 'atlas_version',
                'content_hash', 'results',
            ])->groupBy('visit_id');

        $told = $visits->map(static fn (Visit $visit): RecordVisit => new RecordVisit(
            $visit->public_id, $visit->number, $visit->started_at->setTimezone($timezone), $visit->status->value, $visit->origin,
            $visit->minutes, $visit->user->name, $entries[$visit->id] ?? [], $done[$visit->id] ?? [],
            isset($plans[$visit->id]) ? (array) json_decode((string) $plans[$visit->id], true) : null,
            array_values(($notes->get($visit->id) ?? collect())->map(static fn (\stdClass $note): array => [
                ...array_diff_key((array) $note, ['visit_id' => true, 'results' => true]),
                'says' => self::says((array) json_decode((string) $note->results, true)),
                'signed_at' => CarbonImmutable::parse((string) $note->signed_at, 'UTC')->toIso8601ZuluString(),
            ])->all()),
        ));

        return new self(ClientDetails::of($client->load('contacts')), $client->public_id, array_values($told->all()));
    }

    /**
     * @param  array<array-key, mixed>  $results  as they were frozen
     * @return list<array{part: string, sentences: list<string>}> the note in its sentences; none of an older record
     */
    private static function says(array $results): array
    {
        return array_values(array_map(static fn (array $part): array => [
            'part' => (string) $part['heading'], 'sentences' => array_column($part['sentences'], 'text'),
        ], $results['note']['parts'] ?? []));
    }
}
