<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What a supervisor says of a student's note instead of signing it: beside the signed record, and no part of it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('note_remarks', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('visit_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('revision'); // of the note it is said of
            $table->foreignId('user_id')->constrained()->restrictOnDelete();
            $table->text('words');
            $table->timestamp('said_at');
            $table->unique(['visit_id', 'revision']);
        });
    }
};
