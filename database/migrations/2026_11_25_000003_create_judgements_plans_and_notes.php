<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('judgements', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('visit_id')->constrained()->cascadeOnDelete();
            $table->enum('kind', ['safety', 'pattern', 'plan', 'response']);
            $table->char('case_hash', 64);
            $table->string('atlas_version', 12);
            $table->json('document');
            $table->timestamps();
            $table->unique(['visit_id', 'kind']);
        });
        Schema::create('plans', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('visit_id')->constrained()->cascadeOnDelete();
            $table->char('case_hash', 64);
            $table->string('atlas_version', 12);
            $table->json('document');
            $table->foreignId('agreed_by')->constrained('users')->restrictOnDelete();
            $table->timestamp('agreed_at');
            $table->index(['visit_id', 'agreed_at']);
        });
        Schema::create('treatment_events', function (Blueprint $table): void {
            $table->ulid('id')->primary(); // made at the table, so that late, doubled and shuffled arrivals are one
            $table->foreignId('visit_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->restrictOnDelete();
            $table->enum('type', ['step_started', 'pass_reached', 'sign', 'eased_off', 'step_done', 'step_skipped', 'stopped']);
            $table->string('step', 8);
            $table->json('payload')->default('{}');
            $table->timestamp('happened_at', 3);
            $table->timestamp('received_at', 3);
            $table->index(['visit_id', 'happened_at']);
        });
        Schema::create('notes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('visit_id')->constrained()->restrictOnDelete();
            $table->rawColumn('revision', 'integer check (revision >= 1)'); // 1 as signed; later ones are corrections with their reason
            $table->text('happened');
            $table->text('advice');
            $table->text('next_time');
            $table->json('case_document'); // the whole case as it stood
            $table->json('results'); // and what was made of it
            $table->string('reason', 300)->nullable();
            $table->foreignId('signed_by')->constrained('users')->restrictOnDelete();
            $table->timestamp('signed_at');
            $table->unique(['visit_id', 'revision']);
        });
    }
};
