<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::create('saved_views', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('project_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->string('caption', 500)->default('');
            $table->unsignedInteger('position');
            $table->json('content');
            $table->mediumText('thumbnail');
            $table->timestamps(3);
        });
    }

    public function down(): void
    {
        Schema::drop('saved_views');
    }
};
