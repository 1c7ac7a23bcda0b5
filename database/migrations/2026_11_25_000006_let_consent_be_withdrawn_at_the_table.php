<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('treatment_events', function (Blueprint $table): void {
            $table->enum(
                'type',
                [
                    'step_started', 'pass_reached', 'sign', 'eased_off', 'step_done', 'step_skipped', 'stopped', 'consent_withdrawn',
                    'consent_given',
                ],
            )->change();
        });
    }
};
