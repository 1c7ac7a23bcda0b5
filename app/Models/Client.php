<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
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
 * @property string $skin
 * @property bool $stoic
 * @property string|null $guardian_name
 * @property string|null $occupation
 * @property CarbonImmutable|null $last_seen_at
 */
final class Client extends Model
{
    use HasUlids;

    protected $fillable = ['clinic_id', 'code', 'name', 'search', 'pronoun', 'born_on', 'sex', 'hand', 'mass_kg', 'skin', 'stoic', 'guardian_name', 'occupation', 'last_seen_at'];

    protected $casts = ['born_on' => 'immutable_date', 'last_seen_at' => 'immutable_datetime', 'mass_kg' => 'float', 'stoic' => 'bool'];

    /** @return list<string> */
    public function uniqueIds(): array
    {
        return ['public_id'];
    }

    public function getRouteKeyName(): string
    {
        return 'public_id';
    }

    /** What a search looks in: without accents and case, name and code together. */
    public static function folded(string $text): string
    {
        return Str::lower(Str::ascii($text));
    }

    /** @return HasMany<Visit, $this> */
    public function visits(): HasMany
    {
        return $this->hasMany(Visit::class);
    }
}
