<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('clinics', function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->string('timezone')->default('UTC');
            $table->json('scope_off')->default('[]'); // techniques that local rules forbid here
            $table->timestamps();
        });
        Schema::create('users', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('clinic_id')->constrained()->restrictOnDelete();
            $table->string('name');
            $table->string('email')->unique();
            $table->string('password');
            $table->enum('role', ['therapist', 'reception']);
            $table->boolean('licensed')->default(false);
            $table->enum('experience', ['student', 'qualified', 'advanced'])->default('qualified');
            $table->rawColumn('mass_kg', 'numeric check (mass_kg between 35 and 250)')->nullable(); // whose weight is leaned
            $table->json('tools')->default('[]'); // empty: all of them
            $table->rememberToken();
            $table->timestamps();
        });
    }
};
