<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/** A mail the simulated service was given to carry. */
final class OutboxMail extends Model
{
    public $timestamps = false;

    protected $fillable = ['to', 'subject', 'text', 'sent_at'];

    protected $casts = ['sent_at' => 'immutable_datetime'];
}
