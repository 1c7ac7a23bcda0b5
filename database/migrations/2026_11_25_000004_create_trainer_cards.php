<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('trainer_cards', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete(); // what somebody practised goes when they go
            $table->string('card', 64);
            $table->rawColumn('streak', 'integer not null check (streak >= 0)'); // right answers in a row
            $table->rawColumn('asked', 'integer not null check (asked >= 1)');
            $table->rawColumn('missed', 'integer not null check (missed >= 0 and missed <= asked)');
            $table->date('due_on');
            $table->timestamp('answered_at');
            $table->unique(['user_id', 'card']);
        });
    }
};
