<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Client;
use App\Models\Clinic;
use App\Support\Retention;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Erases a client who asked for it: what tells who they are goes at once; the clinical record goes with it when no law keeps it any longer,
 * and stays under the bare code when one does. Backups made before still hold it until they run out; the audit tells that it was done, and
 * of whom by number only.
 */
final readonly class EraseClient
{
    private const OF_VISITS = ['judgements', 'plans', 'treatment_events', 'notes', 'entries'];

    /** @return bool whether the clinical record went too */
    public function handle(Client $client, Clinic $clinic, CarbonImmutable $now): bool
    {
        return DB::transaction(function () use ($client, $clinic, $now): bool {
            $until = Retention::until($client, $clinic);
            $wholly = $until === null || $until->isBefore($now);
            foreach ([$client, ...Client::query()->where('merged_into_id', $client->id)->get()->all()] as $one) {
                $this->identity($one, $now);
            }
            if ($wholly) {
                $visits = DB::table('visits')->where('client_id', $client->id)->pluck('id')->all();
                foreach (self::OF_VISITS as $table) {
                    DB::table($table)->whereIn('visit_id', $visits)->delete();
                }
                DB::table('visits')->where('client_id', $client->id)->delete();
                DB::table('appointments')->where('client_id', $client->id)->delete();
            }

            return $wholly;
        });
    }

    private function identity(Client $client, CarbonImmutable $now): void
    {
        $client->contacts()->delete();
        foreach (['check_back_mails', 'report_words', 'note_remarks'] as $table) {
            DB::table($table)->whereIn('visit_id', DB::table('visits')->select('id')->where('client_id', $client->id))->delete();
        }
        DB::table('check_ins')->where('client_id', $client->id)->delete();
        DB::table('client_changes')->where('client_id', $client->id)->delete();
        DB::table('waiting')->where('client_id', $client->id)->delete();
        DB::table('appointments')->where('client_id', $client->id)->update(['reason' => null, 'word' => null]);
        // a letter names who it is about; what was found stands in the record it was drafted from
        DB::table('entries')->where(['client_id' => $client->id, 'kind' => 'text', 'identity' => 'letter'])->delete();
        $client->update([
            'name' => $client->code, 'search' => Client::folded($client->code), 'born_on' => $client->born_on->startOfYear(),
            'pronoun' => 'unsaid', 'guardian_name' => null, 'occupation' => null,
            'email' => null, 'phone' => null, 'address' => null, 'archived_at' => $now, 'erased_at' => $now, 'due_on' => null,
        ]);
    }
}
