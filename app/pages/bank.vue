<script setup lang="ts">
import BankView from '~/features/bank/BankView.vue'
</script>

<template>
  <BankView />
</template>
