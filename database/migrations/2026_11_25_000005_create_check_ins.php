<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('check_ins', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('clinic_id')->constrained();
            $table->foreignId('client_id')->constrained();
            $table->foreignId('user_id')->constrained(); // who handed it out
            $table->string('link_hash', 64)->unique(); // the link itself is nowhere: who reads the database cannot open it
            $table->string('code_hash', 64)->unique();
            $table->string('device_hash', 64)->nullable(); // of the device that opened it: no other goes on with it
            $table->json('answers');
            $table->timestamp('expires_at');
            $table->timestamp('opened_at')->nullable();
            $table->timestamp('sent_at')->nullable();
            $table->foreignId('visit_id')->nullable()->constrained(); // whose record took the answers over
            $table->timestamps();
            $table->index(['client_id', 'sent_at']);
        });
    }
};
