<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What a therapist adds to the report of a course, up to one visit and for one reader: beside the signed record, and no part of it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('report_words', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('visit_id')->constrained()->cascadeOnDelete();
            $table->rawColumn('reader', "varchar(10) check (reader in ('client', 'referrer'))");
            $table->text('words'); // empty where they were taken out again
            $table->unsignedInteger('revision');
            $table->foreignId('user_id')->constrained()->restrictOnDelete();
            $table->timestamps();
            $table->unique(['visit_id', 'reader']);
        });
    }
};
