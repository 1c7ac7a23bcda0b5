<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\EntryRows;
use App\Cases\SoundRecords;
use App\Models\Client;
use App\Models\EntryKind;
use App\Models\User;
use App\Models\Visit;

/** Any two moments of a client's course side by side: what hurt and what was felt, on arriving and after the work. */
final readonly class ComparePage
{
    /** @phrases */
    private const PHASES = ['before' => 'on arriving', 'after' => 'after the work'];

    public function __construct(private SoundRecords $sound)
    {
    }

    /** @return array<string, mixed> */
    public function of(Client $client, User $user, ?string $from, ?string $to): array
    {
        $visits = $client->visits()->orderBy('number')->get(['id', 'public_id', 'number', 'started_at']);
        $ids = array_values($visits->map(static fn (Visit $visit): int => $visit->id)->all());
        $this->sound->look($ids);
        $rows = EntryRows::of($ids);
        $moments = [];
        foreach ($visits as $visit) {
            $here = $rows->ofVisit($visit->id);
            foreach (self::PHASES as $phase => $when) {
                $complaints = $here->payloads(EntryKind::Complaint, $phase);
                $palpations = $here->payloads(EntryKind::Palpation, $phase);
                if ($complaints !== [] || $palpations !== []) {
                    $moments[] = [
                        'key' => "{$visit->number}-$phase", 'number' => $visit->number, 'when' => __($when),
                        'date' => $user->clinic->day($visit->started_at),
                        'complaints' => $complaints, 'palpations' => $palpations,
                    ];
                }
            }
        }
        $keys = array_column($moments, 'key');

        return [
            'client' => ['id' => $client->public_id, 'name' => $client->name, 'code' => $client->code, 'words' => Words::of($client)],
            'moments' => $moments,
            'from' => in_array($from, $keys, true) ? $from : ($keys[0] ?? null),
            'to' => in_array($to, $keys, true) ? $to : ($keys === [] ? null : $keys[count($keys) - 1]),
        ];
    }
}
