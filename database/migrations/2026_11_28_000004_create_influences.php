<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::create('influences', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->unique()->constrained()->cascadeOnDelete();
            $table->string('state', 10);
            $table->float('progress')->default(0);
            $table->text('message')->nullable();
            $table->timestamps(3);
        });
    }

    public function down(): void
    {
        Schema::drop('influences');
    }
};
