<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Clinic;
use App\Models\Role;
use App\Models\User;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;

/**
 * For the walk over all pages: a clinic in which nothing happened yet, and one to which the demo's story was told with every name and
 * every word as long as its field takes, in other scripts, from right to left, and with pictures. Only ever into a database of its own.
 */
final class LongestStory extends Seeder
{
    public const PASSWORD = 'long-and-longer';

    /** Invented all, and each a thing that breaks pages: length, a word without a gap, right to left, wide signs, pictures, one letter. */
    private const NAMES = [
        'Maximiliane-Theodora Ottilie Freifrau von Hohenbrunnen-Unterwasserthal und zu Altenmarkt-Seebronn an der Großen Rohrach I',
        'עדינה-שושנה בת־מלך אבן־ספיר הלוי לבית שדה־יערים',
        'Pip 🦔🎭 Larkenfeather-Thistledown 👩🏽‍🎤',
        'Wirbelwindradflügelmacherinnengesellenstückvorzeigekastendeckelschlossschlüsselbundträgerin',
        'نور الهدى بنت عبد اللطيف آل زيتون',
        '桐生花音',
        'Ng',
        'Ængus Ó Maoilchiaráin-Ua Dubhthaigh',
    ];

    private const MORE = ' and so on, told here as long as it can be told without a stop, then once more from the start';

    /** The longest each field takes, in letters; what is not named here is no word of one's own. */
    private const LETTERS = [
        'task' => 80, 'occupation' => 80, 'reason' => 120, 'word' => 120, 'note' => 200, 'words' => 200, 'said' => 200,
        'happened' => 1000, 'advice' => 1000, 'next_time' => 1000,
    ];

    public function __construct(private readonly Storyteller $teller)
    {
    }

    public function run(): void
    {
        if (DB::table('clinics')->exists()) {
            throw new \DomainException('This database holds a clinic: the longest story is told in one of its own.');
        }
        $empty = Clinic::query()->create(['name' => 'Quay Street Rooms', 'timezone' => 'UTC', 'scope_off' => []]);
        $this->hire($empty, Role::Owner, 'Ida Vane', 'ida@quay-street.example');
        $this->hire($empty, Role::Reception, 'Front room', 'desk@quay-street.example');

        $clinic = Clinic::query()->create([
            'name' => mb_substr('Bodywork and Movement at the Old Ropewalk, Third Floor'.self::MORE, 0, 120), 'timezone' => 'UTC',
            'scope_off' => [],
        ]);
        $owner = $this->hire($clinic, Role::Owner, self::NAMES[0], 'owner@longest.example');
        $second = $this->hire($clinic, Role::Therapist, self::NAMES[1], 'second@longest.example');
        $this->hire($clinic, Role::Student, self::NAMES[2], 'student@longest.example', $owner);
        $this->hire($clinic, Role::Reception, self::NAMES[3], 'desk@longest.example');
        $clients = array_values(require __DIR__.'/demo/clients.php');
        $this->teller->tell($owner, $second, array_map(
            fn (array $client, int $k): array => $this->named($this->lengthened($client), self::NAMES[$k % count(self::NAMES)]),
            $clients, array_keys($clients),
        ));
    }

    private function hire(Clinic $clinic, Role $role, string $name, string $email, ?User $supervisor = null): User
    {
        return User::hire($role, [
            'clinic_id' => $clinic->id, 'name' => $name, 'email' => $email, 'password' => self::PASSWORD,
            'licensed' => $role === Role::Owner || $role === Role::Therapist, 'experience' => 'advanced', 'mass_kg' => 70, 'tools' => [],
            'supervisor_id' => $supervisor?->id,
        ]);
    }

    /**
     * @param  array<string, mixed>  $client
     * @return array<string, mixed>
     */
    private function named(array $client, string $name): array
    {
        $client['who']['name'] = $name;
        if (isset($client['who']['email'])) {
            $client['who']['email'] = str_repeat('long-', 12).$client['who']['code'].'@'.str_repeat('longer-', 8).'puppets.example';
        }
        foreach ($client['contacts'] ?? [] as $k => $contact) {
            $client['contacts'][$k] = [...$contact, 'name' => self::NAMES[0]];
        }

        return $client;
    }

    /**
     * The same words lead to the same longer ones: what is measured again is still the same thing.
     *
     * @param  array<mixed>  $told
     * @return array<mixed>
     */
    private function lengthened(array $told): array
    {
        foreach ($told as $key => $value) {
            $told[$key] = match (true) {
                is_array($value) && $key !== 'note' => $this->lengthened($value),
                is_array($value) => array_map(fn (string $text): string => $this->longer($text, 1000), $value),
                is_string($value) && isset(self::LETTERS[$key]) => $this->longer($value, self::LETTERS[$key]),
                is_string($value) && $key === 'measure' && str_starts_with($value, 'function.') => 'function.'.$this->longer(
                    substr($value, 9), self::LETTERS['task'],
                ),
                default => $value,
            };
        }

        return $told;
    }

    private function longer(string $text, int $letters): string
    {
        return rtrim(mb_substr($text.str_repeat(self::MORE, 12), 0, $letters));
    }
}
