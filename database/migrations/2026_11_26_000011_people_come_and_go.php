<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // written out: the schema builder would make the tables anew for a foreign key, and lose their checks
        foreach ([
            'alter table users add column supervisor_id integer references users(id) on delete set null',
            'alter table users add column deactivated_at datetime',
            'alter table users add column invited_at datetime', // until the invitation is taken up
            'alter table notes add column needs_countersign integer not null default 0 check (needs_countersign in (0, 1))',
            // signed by somebody under supervision
            'alter table notes add column countersigned_by integer references users(id) on delete restrict',
            'alter table notes add column countersigned_at datetime',
        ] as $statement) {
            DB::statement($statement);
        }
        Schema::create('password_reset_tokens', static function (Blueprint $table): void {
            $table->string('email')->primary();
            $table->string('token');
            $table->timestamp('created_at')->nullable();
        });
        // what the simulated mail service was given to carry
        Schema::create('outbox_mails', static function (Blueprint $table): void {
            $table->id();
            $table->string('to');
            $table->string('subject');
            $table->text('text');
            $table->timestamp('sent_at');
            $table->index('sent_at');
        });
    }
};
