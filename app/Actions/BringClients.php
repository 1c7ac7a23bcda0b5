<?php

declare(strict_types=1);

namespace App\Actions;

use App\Exchange\Clients\ClientDetails;
use App\Models\Client;
use App\Models\User;
use App\Support\Right;
use Illuminate\Support\Facades\DB;

/**
 * Takes clients from a file. One with a code that is known here, or else with the same name and birthday, is the same person; what the file leaves empty stays.
 *
 * @phpstan-import-type Preview from BringVisits
 * @phpstan-import-type Row from BringVisits
 */
final readonly class BringClients
{
    public function __construct(private CreateClient $create, private UpdateClient $update)
    {
    }

    /**
     * @param  list<array<string, mixed>>  $clients as ClientDetails gives them
     * @return Preview
     */
    public function preview(User $user, array $clients): array
    {
        $rows = array_map(fn (array $told): array => $this->row($told, $this->standing($user, $told)), $this->sayable($user, $clients));

        return ['rows' => $rows, 'unkept' => [], 'digest' => hash('sha256', json_encode([$user->clinic_id, $rows], JSON_THROW_ON_ERROR))];
    }

    /** @param  list<array<string, mixed>>  $clients */
    public function handle(User $user, array $clients, string $digest): int
    {
        return DB::transaction(function () use ($user, $clients, $digest): int {
            if (! hash_equals($this->preview($user, $clients)['digest'], $digest)) {
                throw new RecordChangedMeanwhile;
            }
            $written = 0;
            foreach ($this->sayable($user, $clients) as $told) {
                $standing = $this->standing($user, $told);
                if ($this->row($told, $standing)['changes'] === []) {
                    continue;
                }
                $standing === null ? $this->create->handle($user, $told) : $this->update->handle($standing, $user, $this->merged($told, $standing));
                $written++;
            }

            return $written;
        });
    }

    /**
     * What is clinical comes only from somebody who may say it.
     *
     * @param  list<array<string, mixed>>  $clients
     * @return list<array<string, mixed>>
     */
    private function sayable(User $user, array $clients): array
    {
        return $user->may(Right::ReadClinical) ? $clients : array_map(static fn (array $told): array => array_diff_key($told, array_flip(ClientDetails::CLINICAL)), $clients);
    }

    /** @param  array<string, mixed>  $told */
    private function standing(User $user, array $told): ?Client
    {
        $clients = Client::query()->where('clinic_id', $user->clinic_id)->whereNull('erased_at')->whereNull('merged_into_id')->with('contacts');

        return $told['code'] === null
            ? $clients->where('name', $told['name'])->whereDate('born_on', (string) $told['born_on'])->first()
            : $clients->where('code', $told['code'])->first();
    }

    /**
     * @param  array<string, mixed>  $told
     * @return array<string, mixed> what would stand there
     */
    private function merged(array $told, Client $standing): array
    {
        $said = array_filter(array_diff_key($told, ['code' => true]), static fn (mixed $value): bool => $value !== null && $value !== [] && $value !== 'unsaid');

        return [...array_diff_key(ClientDetails::of($standing), ['code' => true]), ...$said];
    }

    /**
     * @param  array<string, mixed>  $told
     * @return Row
     */
    private function row(array $told, ?Client $standing): array
    {
        $was = $standing === null ? [] : ClientDetails::of($standing);
        $becomes = $standing === null ? array_diff_key($told, ['code' => true]) : $this->merged($told, $standing);
        $changes = [];
        foreach ($becomes as $key => $value) {
            if ($standing === null ? ($value !== null && $value !== []) : $value !== $was[$key]) {
                $changes[] = ['key' => $key, 'name' => str_replace('_', ' ', $key), 'was' => $standing === null ? null : $this->words($was[$key]), 'becomes' => $this->words($value)];
            }
        }
        $renamed = $standing !== null && $told['code'] !== null && $standing->born_on->format('Y-m-d') !== $told['born_on'] && $standing->name !== $told['name'];

        return [
            'title' => "{$told['name']}".($told['code'] === null ? '' : " ({$told['code']})"), 'state' => $standing === null ? 'new' : ($changes === [] ? 'same' : 'changed'), 'changes' => $changes,
            'same' => count($becomes) - count($changes), 'left' => $renamed ? ["{$told['code']} is {$standing->name} here, with another birthday: is it the same person?"] : [],
        ];
    }

    private function words(mixed $value): string
    {
        return match (true) {
            is_bool($value) => $value ? 'yes' : 'no',
            is_array($value) => implode('; ', array_map(static fn (mixed $one): string => is_array($one) ? implode(', ', array_filter($one)) : '', $value)),
            is_scalar($value) => (string) $value, default => 'nothing',
        };
    }
}
