<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Str;

/**
 * @property int $id
 * @property string $public_id
 * @property int $clinic_id
 * @property string $code
 * @property string $name
 * @property string $pronoun
 * @property CarbonImmutable $born_on
 * @property string $sex
 * @property string|null $hand
 * @property float|null $mass_kg
 * @property string|null $skin
 * @property bool $stoic
 * @property string|null $guardian_name
 * @property string|null $occupation
 * @property string|null $email
 * @property string|null $phone
 * @property string|null $address
 * @property CarbonImmutable|null $last_seen_at
 * @property string|null $due_on  Y-m-d, as the note of the last visit proposed it; null where none was
 * @property CarbonImmutable|null $archived_at
 * @property CarbonImmutable|null $erased_at what identified them is gone
 * @property int|null $merged_into_id
 */
final class Client extends Model
{
    use HasUlids;

    protected $fillable = [
        'clinic_id', 'code', 'name', 'search', 'pronoun', 'born_on', 'sex', 'hand', 'mass_kg', 'skin', 'stoic', 'guardian_name',
        'occupation', 'email', 'phone', 'address', 'last_seen_at', 'due_on', 'archived_at', 'erased_at', 'merged_into_id',
    ];

    protected $attributes = [
        'pronoun' => 'unsaid', 'sex' => 'unsaid', 'skin' => null, 'stoic' => false, 'hand' => null, 'mass_kg' => null,
        'guardian_name' => null, 'occupation' => null, 'email' => null, 'phone' => null, 'address' => null,
        'last_seen_at' => null, 'due_on' => null, 'archived_at' => null, 'erased_at' => null, 'merged_into_id' => null,
    ];

    protected $casts = [
        'born_on' => 'immutable_date', 'last_seen_at' => 'immutable_datetime', 'archived_at' => 'immutable_datetime',
        'erased_at' => 'immutable_datetime', 'mass_kg' => 'float', 'stoic' => 'bool',
    ];

    /** @return list<string> */
    public function uniqueIds(): array
    {
        return ['public_id'];
    }

    public function getRouteKeyName(): string
    {
        return 'public_id';
    }

    /** @return Builder<Client> those of a clinic who are not put away, erased or found to be somebody else */
    public static function present(int $clinic): Builder
    {
        return self::query()->where('clinic_id', $clinic)->whereNull('archived_at');
    }

    /**
     * Any part of the name, of the code or of the telephone number, however that is grouped; every word has to be in it.
     *
     * @param  Builder<Client>  $query
     */
    public function scopeCalled(Builder $query, string $asked): void
    {
        // a number is one word; its country or its leading zero may be left out or told otherwise than it is kept
        $asked = preg_match('~^\+?[\d\s()/.-]{4,}$~', trim($asked)) === 1 ? ltrim(self::digits($asked), '0') : $asked;
        foreach (array_filter(explode(' ', self::folded($asked)), static fn (string $word): bool => $word !== '') as $word) {
            // sqlite knows no escape sign of its own
            $query->whereRaw("search like ? escape '\\'", ['%'.addcslashes($word, '%_\\').'%']);
        }
    }

    /** Without accents and case. */
    public static function folded(string $text): string
    {
        return Str::lower(Str::ascii($text));
    }

    /** What a search looks in: name and code, and the number they ring from. */
    public static function foundBy(string $name, string $code, ?string $phone): string
    {
        return trim(self::folded("$name $code").' '.self::digits((string) $phone));
    }

    private static function digits(string $text): string
    {
        return (string) preg_replace('~\D+~', '', $text);
    }

    /** @return HasMany<ClientContact, $this> */
    public function contacts(): HasMany
    {
        return $this->hasMany(ClientContact::class);
    }

    /** @return HasMany<Visit, $this> */
    public function visits(): HasMany
    {
        return $this->hasMany(Visit::class);
    }
}
