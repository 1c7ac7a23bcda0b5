<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Appointments are moved, repeated and waited for; a therapist's calendar is read elsewhere by a secret link. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement('alter table appointments add column series varchar(26)');
        DB::statement('alter table appointments add column revision integer not null default 0');
        DB::statement('create index appointments_series_index on appointments (series)');
        DB::statement('alter table users add column feed_hash varchar(64)');
        DB::statement('create unique index users_feed_hash_unique on users (feed_hash)');
        Schema::create('waiting', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('clinic_id')->constrained()->restrictOnDelete();
            $table->foreignId('client_id')->constrained()->restrictOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete(); // with whom; null with anybody
            $table->rawColumn('minutes', 'integer check (minutes between 10 and 180)');
            $table->json('days')->default('[]'); // weekdays that suit; none said: any
            $table->enum('part', ['any', 'morning', 'afternoon'])->default('any');
            $table->string('word', 120)->nullable();
            $table->timestamp('settled_at')->nullable();
            $table->timestamps();
            $table->index(['clinic_id', 'settled_at']);
        });
    }
};
