<template>
  <LogSheet :id="undefined" />
</template>
