<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('clients', function (Blueprint $table): void {
            $table->id();
            $table->ulid('public_id')->unique(); // names and counts never stand in an address
            $table->foreignId('clinic_id')->constrained()->restrictOnDelete();
            $table->string('code', 12);
            $table->string('name', 120);
            $table->string('search', 160); // name and code, folded: what the search looks in
            $table->enum('pronoun', ['she', 'he', 'they', 'unsaid'])->default('unsaid');
            $table->date('born_on');
            $table->enum('sex', ['female', 'male', 'other', 'unsaid'])->default('unsaid');
            $table->enum('hand', ['left', 'right', 'both'])->nullable();
            $table->rawColumn('mass_kg', 'numeric check (mass_kg between 3 and 400)')->nullable();
            $table->enum('skin', ['usual', 'dry', 'hairy', 'fragile'])->default('usual');
            $table->boolean('stoic')->default(false);
            $table->boolean('guardian_consent')->nullable();
            $table->string('occupation', 80)->nullable();
            $table->timestamp('last_seen_at')->nullable();
            $table->timestamps();
            $table->unique(['clinic_id', 'code']);
            $table->index(['clinic_id', 'last_seen_at']);
        });
        Schema::create('appointments', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('clinic_id')->constrained()->restrictOnDelete();
            $table->foreignId('client_id')->constrained()->restrictOnDelete();
            $table->foreignId('user_id')->constrained()->restrictOnDelete();
            $table->timestamp('starts_at');
            $table->rawColumn('minutes', 'integer check (minutes between 10 and 180)');
            $table->string('reason', 120)->nullable();
            $table->enum('status', ['booked', 'arrived', 'done', 'cancelled', 'missed'])->default('booked');
            $table->timestamps();
            $table->index(['clinic_id', 'starts_at']);
        });
        Schema::create('visits', function (Blueprint $table): void {
            $table->id();
            $table->ulid('public_id')->unique();
            $table->foreignId('clinic_id')->constrained()->restrictOnDelete();
            $table->foreignId('client_id')->constrained()->restrictOnDelete();
            $table->foreignId('user_id')->constrained()->restrictOnDelete();
            $table->foreignId('appointment_id')->nullable()->unique()->constrained()->nullOnDelete();
            $table->rawColumn('number', 'integer check (number >= 1)'); // first visit 1
            $table->enum('status', ['open', 'stopped', 'signed'])->default('open');
            $table->rawColumn('minutes', 'integer default 60 check (minutes between 10 and 180)');
            $table->string('last_step', 12)->default('ask'); // leaving and coming back lands where you were
            $table->timestamp('started_at');
            $table->timestamp('stopped_at')->nullable();
            $table->timestamp('signed_at')->nullable();
            $table->timestamps();
            $table->unique(['client_id', 'number']);
            $table->index(['client_id', 'started_at']);
        });
        Schema::create('entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('visit_id')->constrained()->cascadeOnDelete();
            $table->foreignId('client_id')->constrained()->cascadeOnDelete();
            $table->enum('phase', ['before', 'after'])->default('before'); // after: re-checked at the end
            $table->enum('kind', App\Models\EntryKind::values());
            $table->string('identity', 160);
            $table->json('payload')->nullable(); // null: taken back
            $table->rawColumn('revision', 'integer default 1 check (revision >= 1)');
            $table->date('said_on');
            $table->foreignId('user_id')->constrained()->restrictOnDelete();
            $table->timestamps();
            $table->unique(['visit_id', 'phase', 'kind', 'identity']);
            $table->index(['client_id', 'kind', 'identity']);
        });
        // every change of every entry, kept: nothing that was once recorded is lost to another window
        Schema::create('entry_changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('entry_id')->constrained()->cascadeOnDelete();
            $table->json('payload')->nullable();
            $table->rawColumn('revision', 'integer check (revision >= 1)');
            $table->foreignId('user_id')->constrained()->restrictOnDelete();
            $table->timestamp('created_at');
            $table->unique(['entry_id', 'revision']);
        });
    }
};
