<?php

declare(strict_types=1);

namespace Database\Seeders;

use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;

/** The demo story, whose sign-ins everybody knows: only ever into a database that holds nothing else. */
final class DatabaseSeeder extends Seeder
{
    public function run(): void
    {
        if (DB::table('clinics')->exists()) {
            throw new \DomainException('This database holds a clinic: the demo is told in one of its own.');
        }
        $this->call(DemoStory::class);
    }
}
