<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One version of a plan with a name.
 *
 * @property int $id
 * @property string $public_id
 * @property int $clinic_id
 * @property int $user_id
 * @property string $line the same in every version of one protocol
 * @property int $version
 * @property array<string, mixed> $document a protocol file
 * @property bool $shared everybody who treats here sees it
 * @property CarbonImmutable|null $gone_at
 * @property CarbonImmutable $created_at
 * @property User $user
 */
final class Protocol extends Model
{
    use HasUlids;

    public $timestamps = false;

    protected $fillable = ['clinic_id', 'user_id', 'line', 'version', 'document', 'shared', 'gone_at', 'created_at'];

    protected $casts = [
        'document' => 'array', 'shared' => 'bool', 'gone_at' => 'immutable_datetime', 'created_at' => 'immutable_datetime',
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

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return Builder<self> their own, and what is shared in their clinic */
    public static function seenBy(User $user): Builder
    {
        return self::query()->where('clinic_id', $user->clinic_id)->whereNull('gone_at')->where(
            static fn (Builder $one): Builder => $one->where('user_id', $user->id)->orWhere('shared', true),
        );
    }
}
