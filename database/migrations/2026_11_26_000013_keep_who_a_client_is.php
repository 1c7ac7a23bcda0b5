<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** How a client is reached and who else is asked; put away, erased, or found to be the same person as another. */
return new class extends Migration
{
    public function up(): void
    {
        foreach ([
            'alter table clients add column email varchar(190)',
            'alter table clients add column phone varchar(40)',
            'alter table clients add column address varchar(300)',
            'alter table clients add column archived_at datetime',
            'alter table clients add column erased_at datetime',
            // what identified them is gone; what the law keeps is here under the code alone
            'alter table clients add column merged_into_id integer references clients(id) on delete restrict',
            'create index clients_clinic_id_name_index on clients (clinic_id, name)',
        ] as $statement) {
            DB::statement($statement);
        }
        Schema::create('client_contacts', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('client_id')->constrained()->cascadeOnDelete();
            $table->enum('kind', ['emergency', 'guardian', 'doctor', 'other']);
            $table->string('name', 120);
            $table->string('phone', 40)->nullable();
            $table->string('email', 190)->nullable();
            $table->string('note', 200)->nullable();
            $table->timestamps();
        });
        // two records of one person, put together: which rows went over, so that it can be undone
        Schema::create('merges', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('clinic_id')->constrained()->restrictOnDelete();
            $table->foreignId('kept_id')->constrained('clients')->restrictOnDelete();
            $table->foreignId('gone_id')->constrained('clients')->restrictOnDelete();
            $table->json('moved');
            $table->foreignId('user_id')->constrained()->restrictOnDelete();
            $table->timestamp('created_at');
            $table->timestamp('undone_at')->nullable();
        });
    }
};
