<?php

declare(strict_types=1);

use App\Models\Client;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Who rings is found by the number they ring from. */
return new class extends Migration
{
    public function up(): void
    {
        $known = DB::table('clients')->whereNotNull('phone')->whereNull('erased_at')->select('id', 'name', 'code', 'phone');
        foreach ($known->cursor() as $one) {
            DB::table('clients')->where('id', $one->id)->update(['search' => Client::foundBy($one->name, $one->code, $one->phone)]);
        }
    }
};
