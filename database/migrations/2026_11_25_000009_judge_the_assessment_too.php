<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('judgements', function (Blueprint $table): void {
            $table->enum('kind', ['safety', 'assessment', 'chains', 'pattern', 'plan', 'response'])->change();
        });
    }
};
