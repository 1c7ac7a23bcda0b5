<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Somatrace\Core\Training\Memory;

/**
 * How well one user knows one card of the landmark trainer.
 *
 * @property int $id
 * @property int $user_id
 * @property string $card
 * @property int $streak
 * @property int $asked
 * @property int $missed
 * @property CarbonImmutable $due_on
 * @property CarbonImmutable $answered_at
 */
final class TrainerCard extends Model
{
    public $timestamps = false;

    protected $fillable = ['user_id', 'card', 'streak', 'asked', 'missed', 'due_on', 'answered_at'];

    protected $casts = ['due_on' => 'immutable_date', 'answered_at' => 'immutable_datetime'];

    public function memory(): Memory
    {
        return new Memory($this->streak, $this->due_on);
    }
}
