<?php

declare(strict_types=1);

use App\Models\Right;
use App\Models\Role;
use App\Models\User;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Roles and rights in the tables of the permission package, and what each role may do. */
return new class extends Migration
{
    public function up(): void
    {
        foreach (['permissions', 'roles'] as $name) {
            Schema::create($name, static function (Blueprint $table): void {
                $table->id();
                $table->string('name');
                $table->string('guard_name');
                $table->timestamps();
                $table->unique(['name', 'guard_name']);
            });
        }
        foreach (['model_has_permissions' => 'permission', 'model_has_roles' => 'role'] as $name => $one) {
            Schema::create($name, static function (Blueprint $table) use ($one): void {
                $table->foreignId("{$one}_id")->constrained("{$one}s")->cascadeOnDelete();
                $table->string('model_type');
                $table->unsignedBigInteger('model_id');
                $table->index(['model_id', 'model_type']);
                $table->primary(["{$one}_id", 'model_id', 'model_type']);
            });
        }
        Schema::create('role_has_permissions', static function (Blueprint $table): void {
            $table->foreignId('permission_id')->constrained()->cascadeOnDelete();
            $table->foreignId('role_id')->constrained()->cascadeOnDelete();
            $table->primary(['permission_id', 'role_id']);
        });
        $this->fill();
        Schema::table('users', static function (Blueprint $table): void {
            $table->dropColumn('role');
        });
    }

    private function fill(): void
    {
        $made = ['guard_name' => 'web', 'created_at' => now(), 'updated_at' => now()];
        $rights = [];
        foreach (Right::cases() as $right) {
            $rights[$right->value] = DB::table('permissions')->insertGetId(['name' => $right->value, ...$made]);
        }
        foreach (Role::cases() as $role) {
            $id = DB::table('roles')->insertGetId(['name' => $role->value, ...$made]);
            DB::table('role_has_permissions')->insert(array_map(
                static fn (Right $right): array => ['permission_id' => $rights[$right->value], 'role_id' => $id], $role->rights(),
            ));
            // who was there before keeps the role; the first therapist of a clinic becomes its owner, since somebody must keep it
            $first = DB::table('users')
                ->where('role', Role::Therapist->value)
                ->groupBy('clinic_id')
                ->selectRaw('min(id) as id')
                ->pluck('id')
                ->all();
            $users = match ($role) {
                Role::Owner => $first,
                default => DB::table('users')->where('role', $role->value)->whereNotIn('id', $first)->pluck('id')->all(),
            };
            DB::table('model_has_roles')->insert(array_map(
                static fn (mixed $user): array => ['role_id' => $id, 'model_type' => User::class, 'model_id' => $user], $users,
            ));
        }
    }
};
