<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** When a client who agreed to it is asked by mail how it was. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('check_back_mails', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('visit_id')->constrained()->cascadeOnDelete();
            $table->rawColumn('hours', 'integer check (hours in (24, 48))'); // after the visit
            $table->timestamp('due_at');
            $table->timestamp('sent_at')->nullable();
            $table->unique(['visit_id', 'hours']);
            $table->index(['sent_at', 'due_at']);
        });
    }
};
