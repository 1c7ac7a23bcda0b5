<?php

declare(strict_types=1);

namespace App\Actions;

use App\Cases\ClientDetails;
use App\Exchange\PreviewRows;
use App\Exchange\Progress;
use App\Models\Client;
use App\Models\Right;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Takes clients from a file. One with a code that is known here, or else with the same name and birthday, is the same person; what the file
 * leaves empty stays. A file may hold tens of thousands: everything is compared before the lock is taken, and under it only written.
 *
 * @phpstan-import-type Preview from PreviewRows
 * @phpstan-import-type Row from PreviewRows
 *
 * @phpstan-type Told array<string, mixed>
 */
final readonly class BringClients
{
    private const AT_ONCE = 400;

    public function __construct(private UpdateClient $update, private Progress $progress)
    {
    }

    /**
     * @param  list<Told>  $clients as ClientDetails gives them
     * @return Preview
     */
    public function preview(User $user, array $clients): array
    {
        return $this->compared($user, $this->sayable($user, $clients));
    }

    /** @param  list<Told>  $clients */
    public function handle(User $user, array $clients, string $digest): int
    {
        $clients = $this->sayable($user, $clients);
        $state = $this->state($user);
        $shown = hash_equals($this->compared($user, $clients)['digest'], $digest);

        return DB::transaction(function () use ($user, $clients, $digest, $state, $shown): int {
            // what was agreed to is what is done: if anybody wrote meanwhile, it is looked at again
            if (! $shown || ($this->state($user) !== $state && ! hash_equals($this->compared($user, $clients)['digest'], $digest))) {
                throw new RecordChangedMeanwhile;
            }

            return $this->write($user, $clients);
        });
    }

    /**
     * @param  list<Told>  $clients
     * @return Preview
     */
    private function compared(User $user, array $clients): array
    {
        $rows = new PreviewRows(['clients', $user->clinic_id]);
        for ($from = 0; $from < count($clients); $from += self::AT_ONCE) {
            $some = array_slice($clients, $from, self::AT_ONCE);
            foreach ($this->standing($user, $some) as $index => $standing) {
                $rows->add($this->row($some[$index], $standing));
            }
            $this->progress->tell(__('compared'), $from + count($some), count($clients));
        }

        return $rows->preview();
    }

    /** Changes whenever a client of the clinic comes or is changed. */
    private function state(User $user): string
    {
        $of = DB::table('clients')->where('clinic_id', $user->clinic_id)->selectRaw('count(*) as n, max(id) as last')->first();
        $changes = DB::table('client_changes')
            ->join('clients', 'clients.id', '=', 'client_changes.client_id')
            ->where('clinic_id', $user->clinic_id)
            ->max('client_changes.id');

        return "{$of?->n}.{$of?->last}.$changes";
    }

    /** @param  list<Told>  $clients */
    private function write(User $user, array $clients): int
    {
        $written = 0;
        $new = [];
        $codes = new ClientCodes($user->clinic_id);
        /** @var array<string, true> $names of those that are new in this file: a second row about one of them changes them */
        $names = [];
        $put = function () use (&$new, $user): void {
            $this->insert($user, $new);
            $new = [];
        };
        for ($from = 0; $from < count($clients); $from += self::AT_ONCE) {
            $some = array_slice($clients, $from, self::AT_ONCE);
            foreach ($this->standing($user, $some) as $index => $standing) {
                $told = $some[$index];
                if ($standing === null && ! isset($names[$this->name($told)])) {
                    $names[$this->name($told)] = true;
                    $new[] = [...$told, 'code' => is_string($told['code'] ?? null) ? $told['code'] : $codes->next((string) $told['name'])];
                    $written++;

                    continue;
                }
                if ($standing === null) {
                    $put();
                    $standing = $this->standing($user, [$told])[0];
                }
                if ($standing !== null && $this->row($told, $standing)['changes'] !== []) {
                    $this->update->handle($standing, $user, $this->merged($told, $standing));
                    $written++;
                }
            }
            $put();
            $this->progress->tell(__('written'), $from + count($some), count($clients));
        }

        return $written;
    }

    /** @param  list<Told>  $clients  that are new here, each with a code */
    private function insert(User $user, array $clients): void
    {
        $now = now()->format('Y-m-d H:i:s');
        $plain = new Client;
        $rows = [];
        $contacts = [];
        foreach ($clients as $told) {
            $client = array_filter(
                array_intersect_key($told, array_flip(ClientDetails::KEYS)), static fn (mixed $value): bool => $value !== null,
            );
            $id = Str::lower((string) Str::ulid());
            $rows[] = [
                ...array_intersect_key($plain->getAttributes(), array_flip(ClientDetails::KEYS)),
                ...array_fill_keys(ClientDetails::KEYS, null),
                ...array_filter($plain->getAttributes(), static fn (mixed $value): bool => $value !== null),
                ...$client,
                'born_on' => "{$told['born_on']} 00:00:00", 'public_id' => $id, 'clinic_id' => $user->clinic_id, 'code' => $told['code'],
                'search' => Client::foundBy((string) $told['name'], (string) $told['code'], $plain->phone),
                'created_at' => $now, 'updated_at' => $now];
            $contacts[$id] = array_values((array) ($told['contacts'] ?? []));
        }
        foreach (array_chunk($rows, self::AT_ONCE) as $some) {
            DB::table('clients')->insert($some);
        }
        $ids = DB::table('clients')->whereIn('public_id', array_keys(array_filter($contacts)))->pluck('id', 'public_id');
        $all = [];
        foreach (array_filter($contacts) as $id => $of) {
            foreach ($of as $contact) {
                $all[] = [
                    'client_id' => $ids[$id], 'kind' => $contact['kind'], 'name' => $contact['name'], 'phone' => $contact['phone'] ?? null,
                    'email' => $contact['email'] ?? null, 'note' => $contact['note'] ?? null, 'created_at' => $now, 'updated_at' => $now,
                ];
            }
        }
        foreach (array_chunk($all, self::AT_ONCE) as $some) {
            DB::table('client_contacts')->insert($some);
        }
    }

    /**
     * What is clinical comes only from somebody who may say it.
     *
     * @param  list<Told>  $clients
     * @return list<Told>
     */
    private function sayable(User $user, array $clients): array
    {
        return $user->may(Right::ReadClinical)
            ? $clients
            : array_map(static fn (array $told): array => array_diff_key($told, array_flip(ClientDetails::CLINICAL)), $clients);
    }

    /** @param  Told  $told */
    private function name(array $told): string
    {
        return is_string($told['code'] ?? null) ? "code {$told['code']}" : "{$told['name']}\n{$told['born_on']}";
    }

    /**
     * Who each of them is here.
     *
     * @param  list<Told>  $clients
     * @return list<Client|null>
     */
    private function standing(User $user, array $clients): array
    {
        $here = static fn () => Client::query()
            ->where('clinic_id', $user->clinic_id)
            ->whereNull('erased_at')
            ->whereNull('merged_into_id')
            ->with('contacts')
            ->orderByDesc('id');
        $coded = array_values(array_filter(array_column($clients, 'code'), is_string(...)));
        $named = array_values(array_unique(array_column(
            array_filter($clients, static fn (array $told): bool => ($told['code'] ?? null) === null), 'name',
        )));
        $byCode = $coded === [] ? [] : $here()->whereIn('code', $coded)->get()->keyBy('code')->all();
        $byName = [];
        foreach ($named === [] ? [] : $here()->whereIn('name', $named)->get() as $client) {
            $byName["{$client->name}\n{$client->born_on->format('Y-m-d')}"] = $client; // the one that was here first stays
        }

        return array_map(
            static fn (array $told): ?Client => is_string($told['code'] ?? null)
                ? $byCode[$told['code']] ?? null
                : $byName["{$told['name']}\n{$told['born_on']}"] ?? null,
            $clients,
        );
    }

    /**
     * @param  Told  $told
     * @return array<string, mixed> what would stand there
     */
    private function merged(array $told, Client $standing): array
    {
        $said = array_filter(
            array_diff_key($told, ['code' => true]),
            static fn (mixed $value): bool => $value !== null && $value !== [] && $value !== 'unsaid',
        );

        return [...array_diff_key(ClientDetails::of($standing), ['code' => true]), ...$said];
    }

    /**
     * @param  Told  $told
     * @return Row
     */
    private function row(array $told, ?Client $standing): array
    {
        $was = $standing === null ? [] : ClientDetails::of($standing);
        $becomes = $standing === null ? array_diff_key($told, ['code' => true]) : $this->merged($told, $standing);
        $changes = [];
        foreach ($becomes as $key => $value) {
            if ($standing === null ? ($value !== null && $value !== []) : $value !== $was[$key]) {
                $changes[] = [
                    'key' => $key, 'name' => str_replace('_', ' ', $key), 'was' => $standing === null ? null : $this->words($was[$key]),
                    'becomes' => $this->words($value),
                ];
            }
        }
        $renamed = $standing !== null
            && $told['code'] !== null
            && $standing->born_on->format('Y-m-d') !== $told['born_on']
            && $standing->name !== $told['name'];

        return [
            'title' => "{$told['name']}".($told['code'] === null ? '' : " ({$told['code']})"),
            'state' => $standing === null ? 'new' : ($changes === [] ? 'same' : 'changed'), 'changes' => $changes,
            'same' => count($becomes) - count($changes),
            'left' => ! $renamed ? [] : [
                __(':code is :name here, with another birthday: is it the same person?', [
                    'code' => $told['code'], 'name' => $standing->name,
                ]),
            ],
        ];
    }

    private function words(mixed $value): string
    {
        return match (true) {
            is_bool($value) => $value ? 'yes' : 'no',
            is_array($value) => implode(
                '; ', array_map(static fn (mixed $one): string => is_array($one) ? implode(', ', array_filter($one)) : '', $value),
            ),
            is_scalar($value) => (string) $value, default => 'nothing',
        };
    }
}
