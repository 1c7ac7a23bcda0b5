<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\ClientChanges;
use App\Cases\ClientDetails;
use App\Models\Client;
use App\Models\ClientContact;
use App\Models\Merge;
use App\Models\User;
use App\Support\Retention;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\Gate;

/** Who a client is, to change; and what else can be done with the whole record. */
final readonly class ClientEditPage
{
    private const SHOWN = 5;

    private const CHANGES = 20;

    /** @return array<string, mixed> */
    public function of(Client $client, User $user): array
    {
        $clinical = $user->can('viewClinical', $client);
        $may = Gate::allows('merge', $client);
        $until = Retention::until($client, $user->clinic);

        return [
            'clinical' => $clinical, 'changes' => ClientChanges::list($client, $user, $clinical, self::CHANGES),
            'client' => [
                'id' => $client->public_id,
                ...array_diff_key(ClientDetails::of($client->load('contacts')), $clinical ? [] : array_flip(ClientDetails::CLINICAL)),
                'away' => $client->archived_at !== null,
            ],
            'kinds' => ClientContact::KINDS, 'mostContacts' => ClientDetails::MOST_CONTACTS, 'mayMerge' => $may,
            'mayErase' => Gate::allows('erase', $client),
            'doubles' => $may ? $this->doubles($client) : [], 'merges' => $may ? $this->merges($client, $user) : [],
            'keptUntil' => $until === null || $until->isPast() ? null : $user->clinic->dateWords($until),
        ];
    }

    /** @return list<array{id: string, name: string, code: string, because: string}> who may be the same person */
    private function doubles(Client $client): array
    {
        $name = Client::folded((string) strtok($client->name, ' '));
        $alike = Client::query()
            ->where('clinic_id', $client->clinic_id)
            ->whereKeyNot($client->id)
            ->whereNull('merged_into_id')
            ->whereNull('erased_at')
            ->where(static fn (Builder $query): Builder => $query
                ->where('name', $client->name)
                ->orWhere(
                    static fn (Builder $same): Builder => $same->where('born_on', $client->born_on)->where('search', 'like', "%$name%"),
                )
                ->when($client->email !== null, static fn (Builder $same): Builder => $same->orWhere('email', $client->email))
                ->when($client->phone !== null, static fn (Builder $same): Builder => $same->orWhere('phone', $client->phone)))
            ->limit(self::SHOWN)->get();

        return array_values($alike->map(static fn (Client $one): array => [
            'id' => $one->public_id, 'name' => $one->name, 'code' => $one->code,
            'because' => implode(', ', array_keys(array_filter([
                __('same name') => $one->name === $client->name, __('same birthday') => $one->born_on->equalTo($client->born_on),
                __('same mail address') => $one->email !== null && $one->email === $client->email,
                __('same telephone') => $one->phone !== null && $one->phone === $client->phone,
            ]))),
        ])->all());
    }

    /** @return list<array{id: int, code: string, at: string, by: string}> what went into this record and can still be undone */
    private function merges(Client $client, User $user): array
    {
        return array_values(Merge::query()
            ->join('clients', 'clients.id', '=', 'merges.gone_id')
            ->join('users', 'users.id', '=', 'merges.user_id')
            ->where('kept_id', $client->id)->whereNull('undone_at')->whereNull('clients.erased_at')
            ->latest('merges.created_at')
            ->get(['merges.id', 'merges.created_at', 'clients.code', 'users.name as by'])->map(static fn (Merge $one): array => [
                'id' => $one->id, 'code' => (string) $one->getAttribute('code'),
                'at' => $user->clinic->dateWords(CarbonImmutable::parse($one->created_at)->setTimezone($user->clinic->timezone)),
                'by' => (string) $one->getAttribute('by'),
            ])->all());
    }
}
